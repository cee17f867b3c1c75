import { expect } from '@playwright/test';
import { checkIn, write } from './bench';
import { CHROMIUM, FAKE_MEDIA } from './chromium.mjs';
import { freshTest as test } from './device';

test.use({
  permissions: ['microphone'],
  launchOptions: {
    ...CHROMIUM,
    args: [...CHROMIUM.args, ...FAKE_MEDIA, '--autoplay-policy=no-user-gesture-required'],
  },
});

test('sound comes in live from the microphone and may be thrown away', async ({ page }) => {
  await checkIn(page, {
    owner: 'Owner of Tune 4',
    kind: 'Chainsaw',
    maker: 'Brakken',
    model: 'Tune 4',
    cc: '45',
    complaints: ['Bogs on the throttle'],
  });
  await write(page, 'L 1 H 1 1/2', /L 1, H 1/);
  await page.getByRole('link', { name: 'Tune', exact: true }).press('Enter');
  await page.getByRole('button', { name: 'Tune it all the same' }).press('Enter');
  await page.locator('body').press('e');
  const listening = page.getByRole('region', { name: 'Listening' });
  await expect(listening.getByText('Let it idle')).toBeVisible();
  // The count goes down only as sound is heard.
  await expect(listening.getByText(/^Let it idle\s*[1-8]$/)).toBeVisible();
  await listening.getByRole('button', { name: 'Throw it away' }).click();
  await expect(listening).toHaveCount(0);
  await expect(page.getByRole('figure', { name: 'Speed over time' })).toHaveCount(0);
});
