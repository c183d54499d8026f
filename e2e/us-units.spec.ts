import { expect, type Page, test } from '@playwright/test';
import { walkPages, walkStations } from './every-screen';
import { choose, openSample } from './stories';

/** A number with a metric unit. Cross-sections are mm² everywhere, with their gauges; electrical units have no other system. */
const METRIC =
  /(?:^|[^\w.])[\d.,]+[\s\u00a0\u202f]?(mm|cm|m|km|kg|°C|K(?![−+])|kN|N|Nm|N\/m|N\/mm|l|litres?|km\/h|m\/s|m\/s²|Wh\/km|m²|bar|kPa|kg\/m|µH\/m|mΩ\/m)(?![\wµΩ²/·³])/;
/** What a part is called stays: its temperature class and its section are its name, on the reel as here. */
const NAMED = /mm² [\w -]*(cable|wire)[\w, -]*\d+ °C/;

/** Texts, values of fields and names of controls that speak of metric units. */
const metric = (page: Page) =>
  page.evaluate(() => {
    const said: string[] = [];
    for (const one of document.querySelectorAll<HTMLElement | SVGElement>('body *')) {
      if (one.closest('script, style, [hidden]')) continue;
      const own = [...one.childNodes].some((node) => node.nodeType === Node.TEXT_NODE && node.textContent?.trim());
      if (own && one.textContent) said.push(one.textContent);
      if (one instanceof HTMLInputElement) said.push(`${one.value} ${one.placeholder}`);
      said.push(one.getAttribute('aria-label') ?? '');
    }
    return said;
  });

/** Opens what is folded up on the sheet, workings too, one after the other: what opens may hold more of it. */
async function unfold(page: Page): Promise<void> {
  const closed = page.locator('main button[aria-expanded=false]:not([role=combobox]):not([aria-haspopup])');
  // Of a list one thing at a time is open: there each click closes another.
  let passed = 0;
  for (let clicks = 0; clicks < MOST_FOLDS; clicks++) {
    const before = await closed.count();
    if (before <= passed) return;
    await closed.nth(passed).click();
    if ((await closed.count()) >= before) passed++;
  }
}
/** On one screen; rows of long lists are alike. */
const MOST_FOLDS = 24;

for (const sample of ['Firn 9', 'Teasel'] as const) {
  test(`in US units no screen of ${sample} speaks metric`, async ({ page }) => {
    test.setTimeout(600_000);
    await openSample(page, sample);
    await page.keyboard.press('k');
    await page.getByLabel('Find a command').fill('US units');
    await page.keyboard.press('Enter');
    // The ledger of the whole vehicle with all that holds, its reservations open.
    await page.getByRole('radio', { name: 'whole vehicle' }).click();
    await page.getByRole('button', { name: /Not judged here, and assumed/ }).click();
    await page.getByRole('button', { name: /hold – show/ }).click();
    const found: string[] = [];
    const look = async (where: string) => {
      // Quick sums have their own switch; it keeps to what was chosen last.
      if (where.startsWith('sum ')) await choose(page.getByLabel('Units'), 'US');
      // The folds of one sample stand for those of the other.
      if (sample === 'Firn 9') await unfold(page);
      const said = await metric(page);
      expect(said.length).toBeGreaterThan(50);
      found.push(
        ...said
          // A figure that nobody spelled out stands between two characters of the private range.
          .filter(
            (text) => /[\uE000-\uF8FF]/.test(text) || (text.length < 400 && METRIC.test(text) && !NAMED.test(text)),
          )
          .map((text) => `${where}: ${text.slice(0, 140)}`),
      );
    };
    await walkStations(page, look);
    await walkPages(page, look);
    expect([...new Set(found)]).toEqual([]);
  });
}
