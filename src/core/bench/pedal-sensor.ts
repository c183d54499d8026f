import type { Controls } from '../build';

/** What a control that was taught one pedal makes of another. Voltages in V, pedal in shares of its way. */
export interface SensorCheck {
  /** What it takes for the pedal’s place with the new one at rest, and pressed down. */
  readonly restSeen: number;
  readonly fullSeen: number;
  /** In words, gravest first; empty: it serves as it is. */
  readonly findings: readonly string[];
}

/** From here on a control counts the pedal as pressed (generic: five hundredths of its way). */
const PRESSED_FROM = 0.05;

/**
 * A replaced pedal or sensor against what the control was taught: its ends by the straight line between the old ends, and the window in
 * which it is believed. Null while the taught ends are not told, or fall together.
 */
export function sensorCheck(
  { pedalRestV, pedalFullV, pedalLowV, pedalHighV }: Controls,
  fitted: { readonly restV: number; readonly fullV: number },
): SensorCheck | null {
  if (pedalRestV === undefined || pedalFullV === undefined || pedalRestV === pedalFullV) return null;
  const seen = (volts: number) => (volts - pedalRestV) / (pedalFullV - pedalRestV);
  const [restSeen, fullSeen] = [seen(fitted.restV), seen(fitted.fullV)];
  const outside = (volts: number) =>
    (pedalLowV !== undefined && volts < pedalLowV) || (pedalHighV !== undefined && volts > pedalHighV);
  const findings: string[] = [];
  if (fullSeen < restSeen) findings.push('it works the wrong way round: let go it asks for everything');
  if (restSeen >= PRESSED_FROM && fullSeen >= restSeen)
    findings.push('at rest it counts as pressed: it would pull away as the gear goes in');
  if (outside(fitted.restV)) findings.push('at rest it lies outside the window: the control takes it for broken');
  if (outside(fitted.fullV))
    findings.push('pressed down it lies outside the window: the torque goes away at full pedal');
  if (restSeen < -PRESSED_FROM) findings.push('the first part of its way does nothing');
  if (fullSeen < 1 - PRESSED_FROM && fullSeen >= restSeen) findings.push('pressed down it does not give everything');
  return { restSeen, fullSeen, findings };
}
