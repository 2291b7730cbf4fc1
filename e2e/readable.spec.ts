import AxeBuilder from '@axe-core/playwright';
import { expect, press, test, visit } from './bench';

// They only look, so any worker may take the next one.
test.describe.configure({ mode: 'parallel' });

for (const [name, path] of [
  ['Queue', '/'],
  ['Listing', '/case/PP-0428/listing'],
  ['Rounds', '/rounds?whose=all'],
  ['Consignments', '/consignments'],
  ['Logbook', '/logbook'],
  ['Codes', '/case/PP-0414/codes'],
  ['Codes of the fullest item', '/case/PP-0419/codes'],
  ['Inspect', '/case/PP-0409/inspect'],
  ['Compare', '/case/PP-0420/compare?check=outside.emblem'],
  ['Verdict', '/case/PP-0407/verdict'],
  ['Releases', '/releases'],
  ['Release record', '/releases/tarn-court-low-fog'],
  ['Release editor', '/releases/tarn-court-low-fog/edit'],
  ['Code schemes', '/schemes'],
  ['Code scheme', '/schemes/ilvane-batch-2020'],
  ['Size charts', '/charts'],
  ['Size chart', '/charts/veskarn-court'],
  ['Seen codes', '/seen'],
  ['Checks', '/checks/footwear'],
  ['Check', '/checks/footwear/label.print'],
  ['Check editor', '/checks/footwear/underneath.guide-holes/edit'],
  ['House rules', '/rules'],
  ['The house', '/house'],
  ['Keeping', '/keeping'],
  ['People', '/people'],
  ['Sign-in', '/sign-in?other'],
] as const) {
  test(`${name} can be read by everybody, in a bright and in a dim room, and fits a tablet`, async ({ page }) => {
    // Looking at every contrast of a long list takes its time on a slow machine.
    test.setTimeout(150_000);
    await visit(page, path);
    await expect(page.getByRole('main')).toBeVisible();
    for (const room of ['bright', 'dim']) {
      await expect(page.locator('html')).toHaveAttribute('data-room', room);
      // The dim room changes nothing but colours.
      const axe = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] });
      const { violations } = await (room === 'dim' ? axe.withRules(['color-contrast']) : axe).analyze();
      expect(violations.map(({ id, nodes }) => [id, nodes.map(({ html }) => html.slice(0, 120))])).toEqual([]);
      await press(page, 'd');
    }
    await page.setViewportSize({ width: 768, height: 1024 });
    const overflow = await page.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    );
    expect(overflow, 'the page scrolls sideways').toBeLessThanOrEqual(0);
  });
}

for (const [name, path, keys] of [
  ['The sheet of a picture', '/case/PP-0419/codes', ['f']],
  ['The tray', '/case/PP-0419/codes', ['t']],
  ['A phone', '/case/PP-0419/codes', ['a']],
] as const) {
  test(`${name} can be read by everybody, in a bright and in a dim room`, async ({ page }) => {
    await visit(page, path);
    await press(page, ...keys);
    const dialog = page.getByRole('dialog');
    await expect(dialog.getByRole('button').nth(1).or(dialog.getByRole('link')).first()).toBeVisible();
    for (const room of ['bright', 'dim']) {
      // Keys are the sheet's while it is open.
      await page.evaluate((which) => {
        document.documentElement.dataset.room = which;
      }, room);
      const axe = new AxeBuilder({ page })
        .setLegacyMode()
        .include('[role="dialog"]')
        .options({ resultTypes: ['violations'] });
      const { violations } = await axe.analyze();
      expect(violations.map(({ id, nodes }) => [id, nodes.map(({ html }) => html.slice(0, 120))])).toEqual([]);
    }
    await page.setViewportSize({ width: 768, height: 1024 });
    const overflow = await dialog.evaluate((sheet) => sheet.scrollWidth - sheet.clientWidth);
    expect(overflow, 'the sheet scrolls sideways').toBeLessThanOrEqual(0);
  });
}
