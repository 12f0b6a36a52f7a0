import { writeFileSync, mkdirSync } from 'node:fs';
import { loadLibrary } from '../library/loadLibrary';
import { drawSheet } from '../src/core/sheets';
import { sheetPdf, writeSvg } from '../src/formats';
mkdirSync('/tmp/sheets',{recursive:true});
const sheets:any[]=[];
const want=process.argv.slice(2);
for (const t of loadLibrary()) for (const [i,s] of t.ladder.steps.entries()) { if(!s.sheet || (want.length && !want.includes(`${t.slug}:${i+1}`))) continue;
  const r=drawSheet({spec:s.sheet,paper:'letter',whom:{isLeft:false,name:'Odalys',language:'en',isLarge:false},words:{name:'Name',title:`${t.title.en} · step ${i+1}`,how:s.how.en.replace('{child}','Odalys').replace('{mark}',''),check:'50 mm, check me'}});
  if(r.ok){ sheets.push({language:'en',scenes:r.value}); writeFileSync(`/tmp/sheets/${t.slug}-${i+1}.svg`,writeSvg(r.value[0]!,t.title.en)); } else console.log(t.slug,i+1,r.issues);
}
const t0=Date.now(); const pdf=await sheetPdf(sheets,{size:'letter',title:'Sheets'}); writeFileSync('/tmp/sheets/all.pdf',pdf!); console.log(sheets.length,Date.now()-t0,'ms',pdf!.length);
const again=await sheetPdf(sheets,{size:'letter',title:'Sheets'}); console.log(Buffer.compare(pdf!,again!));
