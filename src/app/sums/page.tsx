import { SumsScreen } from '@/screens/sums/sums-screen';

export default function Page() {
  return <SumsScreen />;
}
