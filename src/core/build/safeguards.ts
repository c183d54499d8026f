/** Looked at on the finished car by whoever inspects it: yes or no. */
export const SAFEGUARDS = [
  'barriers',
  'labels',
  'orange',
  'bonding',
  'interlock',
  'clearance',
  'insulation-watch',
  'crash',
  'drive-lock',
  'residual-current',
  'lids-locked',
  'key-switch',
  'set-points',
] as const;
export type SafeguardId = (typeof SAFEGUARDS)[number];
export type Safeguards = Readonly<Partial<Record<SafeguardId, boolean>>>;
