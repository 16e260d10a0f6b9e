import { startCluster, ensureDatabase, dropCluster } from './scripts/machine/postgres.mjs';
import { createServer, Agent, request } from 'node:http';
import pg from 'pg';
import { fork } from 'node:child_process';
if (process.argv[2]==='srv') {
  const pool = new pg.Pool({connectionString:process.env.U,max:10});
  createServer((q,r)=>{let t='';q.on('data',c=>t+=c);q.on('end',async()=>{ if(q.url==='/q') await pool.query({name:'a',text:'select 1',values:[]}); if(q.url==='/u') await pool.query({name:'b',text:'insert into t values ($1,$2) on conflict (id) do update set v=excluded.v',values:[1,Math.random()]}); r.end('{"accepted":1}')})}).listen(4796,'127.0.0.1',()=>process.send('up'));
} else {
const cluster = await startCluster('prof'); ensureDatabase(cluster, 'wimbel');
const p=new pg.Pool({connectionString:cluster.url('wimbel')}); await p.query('create table t(id int primary key, v double precision)');
const child=fork('./prof3.mjs',['srv'],{env:{...process.env,U:cluster.url('wimbel')}}); await new Promise(r=>child.on('message',r));
const agent=new Agent({keepAlive:true,maxSockets:16});
const call=(path)=>new Promise((res,rej)=>{const r=request('http://127.0.0.1:4796'+path,{method:'POST',agent},a=>{let t='';a.on('data',c=>t+=c);a.on('end',()=>res(t))});r.on('error',rej);r.end('{}')});
const time=async(name,f,n=500)=>{for(let i=0;i<200;i++)await f();const s=performance.now();for(let i=0;i<n;i++)await f();console.log(name,((performance.now()-s)/n).toFixed(3),'ms')};
await time('bare',()=>call('/')); await time('select 1',()=>call('/q')); await time('upsert',()=>call('/u'));
await time('pool direct upsert', ()=>p.query({name:'b',text:'insert into t values ($1,$2) on conflict (id) do update set v=excluded.v',values:[1,Math.random()]}));
const N=4000; let c=0; const s=performance.now(); await Promise.all(Array.from({length:16},async()=>{while(c<N){c++;await call('/u')}})); console.log('16 at once upsert/s', (N/((performance.now()-s)/1000)).toFixed(0));
c=0; const s2=performance.now(); await Promise.all(Array.from({length:16},async()=>{while(c<N){c++;await call('/')}})); console.log('16 at once bare/s', (N/((performance.now()-s2)/1000)).toFixed(0));
child.kill(); await p.end(); agent.destroy(); dropCluster('prof'); process.exit(0);}
