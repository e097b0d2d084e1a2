import { chromium } from 'playwright-core';
import { execSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
const args=['--no-sandbox','--disable-gpu','--disable-quic','--no-first-run','--disable-background-networking','--disable-component-update','--disable-sync','--font-render-hinting=none',...process.argv.slice(4)];
const threads=()=>{const m=new Map();
 const pids=execSync("pgrep -f headless-shell || true").toString().trim().split('\n').filter(Boolean);
 for(const p of pids){try{const cmd=readFileSync(`/proc/${p}/cmdline`,'utf8');const type=(cmd.match(/--type=([a-z-]+)/)??[,'browser'])[1];
 for(const t of readdirSync(`/proc/${p}/task`)){const s=readFileSync(`/proc/${p}/task/${t}/stat`,'utf8');const name=s.slice(s.indexOf('(')+1,s.lastIndexOf(')'));const f=s.slice(s.lastIndexOf(')')+2).split(' ');m.set(`${p}/${t}|${type} ${name}`,(+f[11]+ +f[12])/100);}}catch{}}
 return m;};
const diff=(a,b)=>{const out=new Map();for(const[k,v]of b){const d=v-(a.get(k)??0);if(d>0.005){const n=k.split('|')[1];out.set(n,(out.get(n)??0)+d);}}return out;};
const idle=(ms)=>new Promise(r=>setTimeout(r,ms));
const N=+(process.env.N??6);const b=await chromium.launch({executablePath:'/usr/bin/chromium-headless-shell',args});
const sum={ms:0,a:new Map(),b:new Map()};const add=(m,d)=>{for(const[k,v]of d)m.set(k,(m.get(k)??0)+v/N);};
for(let i=0;i<N+1;i++){const ctx=await b.newContext({viewport:{width:1280,height:800},reducedMotion:'reduce'});const p=await ctx.newPage();await idle(200);const c0=threads();const t=performance.now();
 await p.goto(`http://127.0.0.1:4700/ninefathom/${process.argv[3]??'film-desk/draft'}`);await p.getByRole('status').filter({hasText:/saved, revision/}).waitFor();await p.locator('.frame[aria-busy=false]').waitFor();
 const ms=performance.now()-t;const c1=threads();await idle(+(process.env.IDLE??2500));const c2=threads();if(i){sum.ms+=ms/N;add(sum.a,diff(c0,c1));add(sum.b,diff(c1,c2));}
 await ctx.close();}
const tot=(m)=>[...m.values()].reduce((s,v)=>s+v,0).toFixed(2);const line=(m)=>tot(m)+' = '+[...m].sort((x,y)=>y[1]-x[1]).slice(0,4).map(([n,v])=>`${n.replace('renderer ','').replace('chromium-headle','main')} ${v.toFixed(2)}`).join(' · ');
console.log(process.argv[2],Math.round(sum.ms),'ms | settled',line(sum.a),'| after',line(sum.b));
await b.close();
