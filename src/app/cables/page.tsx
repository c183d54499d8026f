import { CablesScreen } from '@/screens/cables/cables-screen';

export default function Page() {
  return <CablesScreen />;
}
