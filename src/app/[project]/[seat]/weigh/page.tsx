import { WeighStation } from '@/ui/weigh/WeighStation';

export default function WeighPage() {
  return <WeighStation />;
}
