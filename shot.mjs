import { chromium } from 'playwright-core'
const b = await chromium.launch({ executablePath:'/usr/bin/chromium', args:['--no-sandbox','--disable-gpu','--disable-quic','--no-first-run','--disable-background-networking','--disable-component-update','--disable-sync'] })
for (const [w,h,o,full] of JSON.parse(process.argv[3])) { const p = await b.newPage({ viewport:{width:w,height:h} }); await p.goto(process.argv[2]); await p.screenshot({ path:o, fullPage: !!full }); console.log(o, await p.evaluate(()=>document.documentElement.scrollWidth)) }
await b.close()
