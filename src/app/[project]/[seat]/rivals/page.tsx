import { RivalsStation } from '@/ui/rivals/RivalsStation';

export default function RivalsPage() {
  return <RivalsStation />;
}
