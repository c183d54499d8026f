import { FilesScreen } from '@/screens/files/files-screen';

export default function Page() {
  return <FilesScreen />;
}
