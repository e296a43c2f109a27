import { chromium } from '@playwright/test';
const b = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
});
const p = await b.newPage({ viewport: { width: 1280, height: 800 } });
p.on('console', (m) => {
  if (m.type() === 'error' || m.type() === 'warning') console.log('console', m.text());
});
p.on('pageerror', (e) => console.log('pageerror', e.message));
const steps = (await import(process.argv[2])).default;
await steps(p, async (name) => p.screenshot({ path: `/tmp/shots/${name}.png` }), 'http://127.0.0.1:4799');
await b.close();
