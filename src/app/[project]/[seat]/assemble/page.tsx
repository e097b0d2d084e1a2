import { AssembleStation } from '@/ui/assemble/AssembleStation';

export default function AssemblePage() {
  return <AssembleStation />;
}
