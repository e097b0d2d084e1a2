import { BuyStation } from '@/ui/buy/BuyStation';

export default function BuyPage() {
  return <BuyStation />;
}
