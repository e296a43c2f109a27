import { defineConfig } from '@playwright/test';
import checks from '../playwright.config.ts';

/** Takes the pictures of the README anew, from the demo aircraft: `npm run pictures`. */
export default defineConfig(checks, { testDir: '.', testMatch: 'pictures.ts', reporter: 'list', workers: 1 });
