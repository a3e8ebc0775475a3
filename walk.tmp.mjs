import puppeteer from 'puppeteer-core'
import fs from 'fs'
const b=await puppeteer.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox'],headless:true})
const p=await b.newPage(); await p.setViewport({width:1280,height:800})
const U='http://127.0.0.1:4621'
p.on('pageerror',e=>console.log('PAGEERROR',e.message)); p.on('console',m=>m.type()==='error'&&console.log('ERR',m.text().slice(0,200)))
const wait=ms=>new Promise(r=>setTimeout(r,ms))
await p.goto(U); await p.locator('::-p-aria([name="Oriel Castellane owner"][role="button"])').click()
await p.waitForNavigation({waitUntil:'networkidle0'}).catch(()=>{})
const list=await p.evaluate(()=>fetch('/api/clients').then(r=>r.json()))
const c=(list.clients??list)[1]
const doc=JSON.parse(fs.readFileSync('/tmp/base.json'))
const made=await p.evaluate(async(id,doc)=>{const r=await fetch(`/api/clients/${id}/imports`,{method:'POST',headers:{'content-type':'application/json'},body:JSON.stringify(doc)});return r.json()},c.id,doc)
console.log(made)
await p.goto(`${U}/plans/${made.id}/clock`); await p.waitForSelector('::-p-text(Done at)',{timeout:60000}); await wait(4000); await p.screenshot({path:'/tmp/k1.png'})
await p.locator('::-p-text(Begin at the chair)').click(); await p.waitForSelector('[role="dialog"]'); await wait(600); await p.screenshot({path:'/tmp/k2.png'})
const boxes=await p.$$('[role="dialog"] input[type=checkbox]'); for(const x of boxes) await x.click()
await wait(300); await p.screenshot({path:'/tmp/k3.png'})
await p.type('[role="dialog"] textarea','Help comes at two')
await p.locator('::-p-text(I have looked at these: begin)').click()
await p.waitForFunction(()=>location.pathname.startsWith('/runs/'),{timeout:30000}); await wait(2500); await p.screenshot({path:'/tmp/k4.png'})
for (const path of ['/', '/people', `/people/${c.id}`, `/plans/${made.id}`, `/plans/${made.id}/mix`, '/day', '/shelf']) { await p.goto(U+path,{waitUntil:'networkidle0'}); await wait(800); console.log(path, await p.title(), (await p.evaluate(()=>document.body.innerText)).slice(0,80).replace(/\n/g,' | ')) }
await p.setViewport({width:1024,height:768}); await p.goto(`${U}/plans/${made.id}/clock`); await p.waitForSelector('::-p-text(Done at)'); await wait(4000); await p.screenshot({path:'/tmp/k5.png'})
await b.close()
