import { startCluster, ensureDatabase, dropCluster } from './scripts/machine/postgres.mjs';
import { spawn } from 'node:child_process';
import { Agent, request } from 'node:http';
import { randomUUID } from 'node:crypto';
const cluster = await startCluster('prof'); ensureDatabase(cluster, 'wimbel');
const child = spawn('node', [...(process.env.PROF?['--cpu-prof','--cpu-prof-dir=/tmp/prof12']:[]), 'apps/server/dist/main.js'], { stdio: ['ignore','ignore','inherit','ipc'], env: { ...process.env, WIMBEL_DATABASE_URL: cluster.url('wimbel'), WIMBEL_PORT: '4797', WIMBEL_SECRET: 'x'.repeat(40), WIMBEL_MIGRATIONS: 'apps/server/drizzle', WIMBEL_REQUESTS_PER_MINUTE:'10000000' } });
await new Promise(r => child.on('message', r));
const base='http://localhost:4797';
const agent = new Agent({keepAlive:true,maxSockets:16});
const headers0={'content-type':'application/json',origin:base};
const su = await fetch(base+'/api/auth/sign-up/email',{method:'POST',headers:headers0,body:JSON.stringify({email:'a@b.cd',password:'a long enough word',name:'x'})});
const cookie=su.headers.getSetCookie().map(e=>e.split(';')[0]).join('; ');
const {user}=await su.json();
const headers={...headers0,cookie,'x-wimbel-account':user.id};
const call=(path,body)=>new Promise((res,rej)=>{const r=request(base+path,{method:body?'POST':'GET',agent,headers:{...headers,...(body?{'content-length':Buffer.byteLength(body)}:{})}},a=>{let t='';a.on('data',c=>t+=c);a.on('end',()=>res(t))});r.on('error',rej);r.end(body)});
const ch=(c,k,r)=>JSON.stringify({changes:[{id:randomUUID(),madeAt:new Date().toISOString(),collection:c,key:k,record:r}]});
console.log((await call('/api/changes',ch('habits','h',{ id:'h', name:'S', order:0, aim:'build', partOfDay:'any', measure:{kind:'check'}, terms:[{from:'2026-01-01',schedule:{kind:'daily'}}], startsOn:'2026-01-01' }))).slice(0,200));
const time=async(name,f,n=300)=>{for(let i=0;i<50;i++)await f();const s=performance.now();for(let i=0;i<n;i++)await f();console.log(name,((performance.now()-s)/n).toFixed(3),'ms')};




{ const people=[]; for(let i=0;i<16;i++){const su=await fetch(base+'/api/auth/sign-up/email',{method:'POST',headers:headers0,body:JSON.stringify({email:`a${i}@b.cd`,password:'a long enough word',name:'x'})}); const cookie=su.headers.getSetCookie().map(e=>e.split(';')[0]).join('; '); const {user}=await su.json(); people.push({...headers0,cookie,'x-wimbel-account':user.id});}
const callAs=(h,body)=>new Promise((res,rej)=>{const r=request(base+'/api/changes',{method:'POST',agent,headers:{...h,'content-length':Buffer.byteLength(body)}},a=>{let t='';a.on('data',c=>t+=c);a.on('end',()=>res(t))});r.on('error',rej);r.end(body)});
for(const h of people) await callAs(h,ch('habits','h',{ id:'h', name:'S', order:0, aim:'build', partOfDay:'any', measure:{kind:'check'}, terms:[{from:'2026-01-01',schedule:{kind:'daily'}}], startsOn:'2026-01-01' }));
for (const secs of [3,10]) {let c=0,bad=0;const s=performance.now();await Promise.all(people.map(async h=>{while(performance.now()-s<secs*1000){const t=await callAs(h,ch('entries','2026-11-24 h',{habitId:'h',day:'2026-11-24',mark:'done'}));c++; if(!t.includes('accepted')) bad++;}}));console.log(secs,'s: per second',(c/((performance.now()-s)/1000)).toFixed(0),'bad',bad);} }
const par=async(name,f,secs=6)=>{for(const sec of [2,secs]){let c=0;const s=performance.now();await Promise.all(Array.from({length:16},async()=>{while(performance.now()-s<sec*1000){await f();c++}}));console.log(name,sec,'s:',(c/((performance.now()-s)/1000)).toFixed(0),'per s')}};
if(process.env.MORE){await par('live',()=>call('/api/health/live')); await par('nothing POST 404',()=>call('/api/nothing','{}')); await par('invalid post',()=>call('/api/changes','{}')); await par('superseded', ()=>call('/api/changes', JSON.stringify({changes:[]})));}
child.kill('SIGTERM'); await new Promise(r=>child.on('exit',r)); agent.destroy(); dropCluster('prof'); process.exit(0);
