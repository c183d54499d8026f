import { HvCircuitScreen } from '@/screens/hv-circuit/hv-circuit-screen';

export default function Page() {
  return <HvCircuitScreen />;
}
