import { LowVoltageScreen } from '@/screens/low-voltage/low-voltage-screen';

export default function Page() {
  return <LowVoltageScreen />;
}
