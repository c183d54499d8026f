import { quantityText as q, type WorkingLine } from '../checks';
import { FIN_M, SHED_BY_FACES_W, shedByCableW } from '../physics/joint';
import { told } from '../quantities';
import { watts } from './context';

/** Where what bolted faces shed comes from. */
export const FACES_SHED = `Faces that are bolted to each other shed ${told(SHED_BY_FACES_W, 'power')}: bare metal of two lugs and their studs in still air (generic), 60 K over it (IEC 60947-1, table 2)`;

/** What a cable or a bar still sheds of a joint’s heat, with figures; `ohmPerM` of all in parallel. */
export const shedLine = (carriesA: number, currentA: number, ohmPerM: number): WorkingLine => ({
  formula: 'P_shed = (I_z² − I²) · R',
  figures: `((${q(carriesA, 'current')})² − (${q(currentA, 'current')})²) · ${q(ohmPerM * FIN_M, 'resistance')}`,
  result: watts(shedByCableW(carriesA, currentA, ohmPerM)),
  note:
    currentA > carriesA
      ? 'It carries more than it may for good: nothing is left for a joint.'
      : `R of ${q(FIN_M, 'length')} of it; I_z is what it carries for good in its place.`,
});
