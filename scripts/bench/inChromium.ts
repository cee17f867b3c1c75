import { chromium } from '@playwright/test';
import { fileURLToPath } from 'node:url';
import { build, type Rolldown } from 'vite';
import { timesLine } from './timesLine';
import { CHROMIUM } from '../../e2e/chromium.mjs';

/** The same work timed in Chromium, where it is done at the bench. */
export async function speedInChromium(): Promise<void> {
  const built = (await build({
    logLevel: 'silent',
    configFile: false,
    build: {
      write: false,
      lib: {
        entry: fileURLToPath(new URL('./inPage.ts', import.meta.url)),
        formats: ['iife'],
        name: 'inPage',
      },
    },
  })) as Rolldown.RolldownOutput[];
  const code = built[0]?.output[0].code ?? '';
  const browser = await chromium.launch(CHROMIUM);
  const page = await browser.newPage();
  await page.addScriptTag({ content: code });
  const times = await page.evaluate(() =>
    (globalThis as unknown as { benchInPage: () => Record<string, number[]> }).benchInPage(),
  );
  await browser.close();
  const words: Record<string, string> = {
    growing: 'posterior and next checks, 40 findings, one more',
    struck: 'posterior and next checks, 40 findings, an early one struck',
    plain: 'a plain loop of ten million multiply-adds, in the same run',
    ahead: 'looking two checks ahead, 5 findings',
  };
  console.log('\nSpeed in Chromium (aim: 16 ms; looking ahead: 1000 ms)');
  for (const [name, sorted] of Object.entries(times)) {
    console.log(timesLine(words[name] ?? name, sorted));
  }
}
