import { FACES, PATTERNS, hitsOf, type Face } from './wordRules';
const faces = Object.entries(FACES).map(([n,f])=>[n,f()] as const);
console.log(['pattern',...faces.map(([n,s])=>n+'('+s.length+')')].join('\t'));
for (const p of Object.keys(PATTERNS)) console.log([p,...faces.map(([,s])=>hitsOf(p,s).length)].join('\t'));
const only = process.argv[2];
if (only) for (const [n,s] of faces) if (n===only) for (const p of Object.keys(PATTERNS)) for (const h of hitsOf(p,s)) console.log(`[${p}] ${h.slice(0,400)}`);
