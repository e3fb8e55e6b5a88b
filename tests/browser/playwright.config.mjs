import { defineConfig } from '@playwright/test';

// What the browser does for a person at its window, and costs as much as a small page of ours: the pages of its address line, a process in reserve.
const unseen = 'WebUIOmniboxPopup,WebUIOmniboxAimPopup,SpareRendererForSitePerProcess';
// Of lists like this the browser takes the last; so what Playwright leaves out by its own stands here, too.
const untested =
  'AvoidUnnecessaryBeforeUnloadCheckSync,DestroyProfileOnBrowserClose,HttpsUpgrades,HttpsFirstBalancedModeAutoEnable,LensOverlay,MediaRouter,PaintHolding,ThirdPartyStoragePartitioning,AvoidCorsURLLoaderRestartOnRedirect,OptimizationHints,NetworkTimeServiceQuerying,PreconnectToSearch';

// Debian's Chromium; every worker has an application and a database of its own (help.mjs).
export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.mjs',
  outputDir: '../../.kitto/browser-results',
  // A test on one core, its application and database on the other: more workers only make each slower.
  workers: 2,
  fullyParallel: true,
  timeout: 60_000,
  // On a machine that nobody watches a test that failed is tried once more, on a database of its own; what passed only then is named.
  retries: process.env.CI ? 1 : 0,
  use: {
    baseURL: process.env.KITTO_URL,
    trace: 'off',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        `--disable-features=${unseen},${untested}`,
        // Drawings that move cost a processor without graphics; the test that is about them asks for motion.
        '--force-prefers-reduced-motion',
      ],
    },
  },
});
