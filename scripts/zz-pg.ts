import { startCluster } from "./setup/cluster";
import { writeFileSync } from "node:fs";
const c = await startCluster("/tmp/zz-pg","abcdefabcdef",{ quick: true });
writeFileSync("/tmp/zz-pg-url", (c as {url:string}).url ?? String(c));
await new Promise(()=>{});
