import { chromium } from "playwright-core";
import { readFileSync } from "node:fs";
const base = readFileSync("/tmp/zz-demo-url","utf8");
const b = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox","--disable-gpu","--disable-quic","--no-first-run","--disable-background-networking","--disable-component-update","--disable-sync"] });
const ctx = await b.newContext({ baseURL: base, viewport:{width:1280,height:800} });
const p = await ctx.newPage();
p.on("console", m=>m.type()==="error"&&console.log(m.text())); p.on("pageerror", e=>console.log(String(e)));
await p.goto("/sign-in"); await p.waitForLoadState("networkidle");
await p.getByLabel("E-mail address").fill("coach@kestrelsound.example"); await p.getByLabel("Password").fill("kestrel demo boat");
await p.getByRole("button",{name:"Sign in"}).click(); await p.waitForURL(/sessions$/); await p.waitForLoadState("networkidle");
await p.getByRole("link",{name:"Handball before a game"}).click(); await p.waitForLoadState("networkidle"); await p.waitForTimeout(800);

await p.getByRole('tab',{name:/Look at/}).click(); await p.waitForTimeout(2500);
const f = p.locator("aside").getByText("more than the rest").first(); await f.scrollIntoViewIfNeeded(); await f.evaluate("e=>e.scrollIntoView({block:'center'})"); await p.screenshot({ path: "/tmp/zz/s3.png" });
await p.goto(p.url().replace(/\/sessions\/([^/?#]+).*/, "/sessions/$1/paper")); await p.waitForLoadState("networkidle"); await p.screenshot({ path: "/tmp/zz/s4.png", fullPage: false });
await p.goto(p.url().replace("/paper","/hand-out")); await p.waitForLoadState("networkidle");

await p.getByRole("button",{name:/Make edition|Make another/}).click(); await p.waitForTimeout(2000); await p.screenshot({ path: "/tmp/zz/s5.png" });
const html = await p.content(); const m0 = html.match(/\/(go|f|follow|t)\/([\w-]{10,})/); console.log(m0?.[0]);
if (m0) {
  const m = await b.newContext({ baseURL: base, viewport:{width:390,height:844} }); const q = await m.newPage();
  q.on("pageerror", e=>console.log(String(e)));
  await q.goto(m0[0]); await q.waitForLoadState("networkidle");
  await q.screenshot({ path: "/tmp/zz/s6.png" });
  console.log(await q.getByRole("button").allInnerTexts());
}
await b.close();
