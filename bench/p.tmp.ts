import { resolve } from '../src/lib/core/solver';
import { benchMachine } from '../tests/support/bench-machines';
const n=Number(process.argv[2]), adv=process.argv[3]==='a';
const ms=Array.from({length:60},(_,s)=>benchMachine((s+1)*31+n,n,adv));
for (let k=0;k<2;k++){const t:number[]=[],ti:number[]=[]; for (const [b,p] of ms){const s=performance.now(); const r=resolve(b,p,{alternatives:0,relaxations:6}); (r.status==='solved'?t:ti).push(performance.now()-s)} t.sort((a,b)=>a-b);ti.sort((a,b)=>a-b); console.log('solved',t.length,t[t.length>>1]?.toFixed(1),t.at(-1)?.toFixed(1),'imp',ti.length,ti[ti.length>>1]?.toFixed(1),ti.at(-1)?.toFixed(1))}
