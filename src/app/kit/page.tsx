import type { Metadata } from 'next';
import { KitScreen } from '@/screens/kit/kit-screen';

export const metadata: Metadata = { title: 'Kit', robots: { index: false } };

/** Every control in all its states, for those who build with them; nothing leads here. */
export default function Page() {
  return <KitScreen />;
}
