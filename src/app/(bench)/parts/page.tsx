import { PartsScreen } from '@/screens/parts/parts-screen';

export default function Page() {
  return <PartsScreen />;
}
