import { expect, type Page, test } from '@playwright/test';
import { openSample } from './stories';

const stored = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<{ name: string; outputV: number | undefined }[]>((resolve, reject) => {
        const asked = indexedDB.open('ropeway');
        asked.onerror = () => reject(asked.error);
        asked.onsuccess = () => {
          const all = asked.result.transaction('builds').objectStore('builds').getAll();
          all.onsuccess = () => {
            asked.result.close();
            resolve(
              all.result.map(({ name, document }) => ({
                name,
                outputV: Object.values<{ converter?: { outputV: number } }>(document.circuits.hv.devices).find(
                  (device) => device.converter,
                )?.converter?.outputV,
              })),
            );
          };
        };
      }),
  );

test('one typed 0 bricks nothing: it is refused at its field, and the build opens again', async ({ page }) => {
  await openSample(page);
  await page.getByRole('link', { name: /^12 V/ }).click();
  await page.getByRole('tab', { name: 'Battery and converter' }).click();
  const field = page.getByLabel('Set to').first();
  const before = await field.inputValue();
  for (const typed of ['0', '-7', '150']) {
    await field.fill(typed);
    await field.press('Enter');
    await expect(
      page
        .getByRole('alert')
        .filter({ hasText: /It has to be above 0.V and at most 60.V/ })
        .first(),
    ).toBeVisible();
    // What was typed stays, to be corrected.
    await expect(field).toHaveValue(typed);
  }
  await field.press('Escape');
  await expect(field).toHaveValue(before);
  expect((await stored(page))[0]!.outputV).toBe(Number.parseFloat(before));
  await page.reload();
  await expect(
    page
      .getByLabel('Set to')
      .first()
      .or(page.getByRole('tab', { name: 'Battery and converter' })),
  ).toBeVisible();
});

test('a stored build that can’t be judged opens with its history, its text and its way out', async ({ page }) => {
  await openSample(page);
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  // As a program of before might have left it: a fuse of no rating.
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const asked = indexedDB.open('ropeway');
        asked.onsuccess = () => {
          const store = asked.result.transaction('builds', 'readwrite').objectStore('builds');
          store.getAll().onsuccess = (event) => {
            const [one] = (event.target as IDBRequest).result;
            one.document.parts['fuse-traction-500-300'].ratedCurrentA = 0;
            store.put(one).onsuccess = () => {
              asked.result.close();
              resolve();
            };
          };
        };
      }),
  );
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Firn 9 can’t be judged' })).toBeVisible();
  await expect(page.getByText(/parts\.fuse-traction-500-300\.ratedCurrentA/)).toBeVisible();
  await expect(
    page.getByText(/It has to be above 0.A and at most 100.000.A|It has to be above 0.A and at most 100.kA/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'As it would be exported' }).click();
  await expect(page.getByText('"format": "ropeway-build"')).toBeVisible();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export the build file' }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('firn-9.ropeway.json');
  await page.getByRole('link', { name: 'All builds' }).click();
  await expect(page.getByRole('heading', { name: 'Ropeway' })).toBeVisible();
});

test('notes count while they are typed: a reload a second later has them', async ({ page }) => {
  await openSample(page);
  await page.keyboard.press('f');
  const notes = page.getByLabel('Notes of this build');
  await notes.fill('Contactor clicks twice');
  await expect
    .poll(async () =>
      page.evaluate(async () => {
        const asked = await new Promise<IDBDatabase>((resolve) => {
          const open = indexedDB.open('ropeway');
          open.onsuccess = () => resolve(open.result);
        });
        const all = await new Promise<{ document: { notes: string } }[]>((resolve) => {
          asked.transaction('builds').objectStore('builds').getAll().onsuccess = (event) =>
            resolve((event.target as IDBRequest).result);
        });
        asked.close();
        return all[0]!.document.notes;
      }),
    )
    .toBe('Contactor clicks twice');
  await expect(notes).toBeFocused();
  await page.reload();
  await expect(page.getByLabel('Notes of this build')).toHaveValue('Contactor clicks twice');
});

test('all builds go into one file, snapshots included, and come back in another browser', async ({ page, browser }) => {
  await openSample(page);
  await page.keyboard.press('f');
  await page.getByLabel('Name of the snapshot').fill('as bought');
  await page.getByRole('button', { name: 'Keep a snapshot' }).click();
  await expect(page.getByText('as bought')).toBeVisible();
  await page.goto('/');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export all builds' }).click(),
  ]);
  expect(file.suggestedFilename()).toMatch(/^ropeway-all-\d{4}-\d{2}-\d{2}\.json$/);
  const path = await file.path();
  // Once more here: what is here keeps its id and its history.
  await page.getByLabel('Build file', { exact: true }).setInputFiles(path);
  await expect(page.getByText('Took in 1 build, 1 as a copy beside what is here.')).toBeVisible();
  await expect(page.getByRole('link', { name: /^Firn 9/ })).toHaveCount(2);
  const other = await (await browser.newContext()).newPage();
  await other.goto('/');
  await other.getByLabel('Build file', { exact: true }).setInputFiles(path);
  await expect(other.getByText('Took in 1 build.')).toBeVisible();
  await other.getByRole('link', { name: /^Firn 9/ }).click();
  await expect(other.getByRole('group', { name: 'Traction circuit' })).toBeVisible();
  await other.keyboard.press('f');
  await expect(other.getByText('as bought')).toBeVisible();
  await other.context().close();
});

test('work that the browser did not store is not dropped without a question', async ({ page }) => {
  await page.addInitScript(() => {
    // A browser that stores nothing: every write of a build fails as on a full disk.
    IDBObjectStore.prototype.add = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
    IDBObjectStore.prototype.put = IDBObjectStore.prototype.add;
  });
  await page.goto('/');
  await page.getByRole('button', { name: 'Open Firn 9' }).click();
  await expect(page.getByText('Not saved', { exact: false }).first()).toBeVisible();
  await page.keyboard.press('b');
  await page.getByRole('button', { name: 'Open Larkspur' }).click();
  const question = page.getByRole('alertdialog', { name: 'Firn 9 is stored nowhere yet' });
  await expect(question).toBeVisible();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    question.getByRole('button', { name: 'Export it' }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('firn-9.ropeway.json');
  await page.keyboard.press('Escape');
  await expect(question).toBeHidden();
  await page.getByRole('button', { name: 'Open Larkspur' }).click();
  await question.getByRole('button', { name: 'Open the other, drop this work' }).click();
  await expect(page.getByRole('contentinfo').getByText('Larkspur')).toBeVisible();
});

test('before one goes back to a snapshot it is said what that changes', async ({ page }) => {
  await openSample(page, 'Firn 9');
  await page.getByRole('link', { name: 'Files', exact: true }).click();
  await page.getByLabel('Name of the snapshot').fill('as bought');
  await page.getByRole('button', { name: 'Keep a snapshot' }).click();
  await page.getByRole('button', { name: 'Compare as bought' }).click();
  await expect(page.getByText('Nothing: it is as it was then.')).toBeVisible();
  await page.locator('nav a[href*="/pack?"]').first().click();
  const field = page.getByLabel('Hard acceleration power', { exact: true });
  const before = Number.parseFloat(await field.inputValue()) * 1000;
  await field.fill('77');
  await field.press('Enter');
  await page.getByRole('link', { name: 'Files', exact: true }).click();
  await page.getByRole('button', { name: 'Compare as bought' }).click();
  await expect(page.getByText(`(W): 77000 → ${before}`)).toBeVisible();
  await page.getByRole('button', { name: 'Go back to as bought' }).click();
  await expect(page.getByText('Nothing: it is as it was then.')).toBeVisible();
});
