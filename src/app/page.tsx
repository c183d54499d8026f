import { Home } from '@/screens/home/home';

export default function Page() {
  return <Home />;
}
