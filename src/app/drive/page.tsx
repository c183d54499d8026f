import { DriveScreen } from '@/screens/drive/drive-screen';

export default function Page() {
  return <DriveScreen />;
}
