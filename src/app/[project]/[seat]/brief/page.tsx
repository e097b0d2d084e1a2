import { BriefStation } from '@/ui/brief/BriefStation';

export default function BriefPage() {
  return <BriefStation />;
}
