import type { ReactNode } from 'react';
import { Shell } from '@/screens/shell/shell';

/** The shell stays while one goes from station to station. */
export default function BenchLayout({ children }: { children: ReactNode }) {
  return <Shell>{children}</Shell>;
}
