/** The day where the hand is, as files hold it: east of Greenwich it comes earlier. Swedish writes it so. */
export const today = (): string => new Date().toLocaleDateString('sv-SE');
/** A day as people write it. */
export const dayText = (iso: string): string =>
  new Date(`${iso.slice(0, 10)}T12:00:00`).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
  });
