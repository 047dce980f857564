import { chromium } from '@playwright/test';
const [, , url, out, w='1280', h='800', dark='', ...acts] = process.argv;
const b = await chromium.launch({ executablePath: '/usr/bin/chromium' });
const p = await b.newPage({ viewport: { width: +w, height: +h }, colorScheme: dark==='dark'?'dark':'light' });
await p.goto('http://127.0.0.1:4177/' + url);
await p.waitForLoadState('networkidle'); await p.waitForTimeout(1500);
for (const a of acts) { if (a.startsWith('key:')) await p.keyboard.press(a.slice(4)); else if (a.startsWith('click:')) await p.locator(a.slice(6)).first().click(); else if (a.startsWith('into:')) await p.locator(a.slice(5)).first().scrollIntoViewIfNeeded(); else if (a.startsWith('fill:')) { const [s,v]=a.slice(5).split('|'); await p.locator(s).first().fill(v); await p.keyboard.press('Enter'); } await p.waitForTimeout(900); }
await p.screenshot({ path: out });
await b.close();
