import { PackScreen } from '@/screens/pack/pack-screen';

export default function Page() {
  return <PackScreen />;
}
