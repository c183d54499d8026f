import { UsersRound, Zap } from 'lucide-react';
import type { Job } from '@/core/stations/plan';

/** At traction voltage; not alone. In words too. */
export const JobMarks = ({ job: { hv, two } }: { job: Job }) => (
  <>
    {hv && (
      <span className="inline-flex items-center gap-1 whitespace-nowrap text-note font-semibold">
        <Zap size={13} aria-hidden="true" />
        HV
      </span>
    )}
    {two && (
      <span className="inline-flex items-center gap-1 whitespace-nowrap text-note">
        <UsersRound size={13} aria-hidden="true" />
        two people
      </span>
    )}
  </>
);
