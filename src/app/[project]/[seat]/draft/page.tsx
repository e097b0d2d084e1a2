import { DraftStation } from '@/ui/draft/DraftStation';

export default function DraftPage() {
  return <DraftStation />;
}
