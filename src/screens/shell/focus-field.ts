/** A page takes a while until its fields stand: so often and so far apart it is looked for. */
const TRIES = 40;
const EVERY_MS = 100;

/** Opens what is folded by itself, so that its fields stand. */
export function openRest(): void {
  for (const trigger of document.querySelectorAll<HTMLElement>('[data-rest] button[aria-expanded="false"]'))
    trigger.click();
}

/** Brings the field with this label into view and gives it the focus, once it is there. */
export function focusField(label: string, tries = TRIES): void {
  const found = [...document.querySelectorAll('label')].find((one) => one.textContent?.trim() === label);
  const control = found?.htmlFor ? document.getElementById(found.htmlFor) : null;
  if (control) {
    control.scrollIntoView({ block: 'center' });
    control.focus();
    return;
  }
  // Not there after a second: it may be folded.
  if (tries === TRIES - 10) openRest();
  if (tries > 0) setTimeout(() => focusField(label, tries - 1), EVERY_MS);
}
