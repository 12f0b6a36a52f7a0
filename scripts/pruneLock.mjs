// Takes optional dependencies that the lock file has no entry for out of its lists. A registry that lacks builds for other
// systems leaves such holes, and `npm ci` refuses them. Run after every npm install: node scripts/pruneLock.mjs
import { readFileSync, writeFileSync } from 'node:fs';

const lock = JSON.parse(readFileSync('package-lock.json', 'utf8'));
const NESTED = '/node_modules/';

/** Looks for a package where Node would: below its owner, then below each of the owner's own parents. */
function has(owner, name) {
  if (lock.packages[owner ? `${owner}${NESTED}${name}` : `node_modules/${name}`]) return true;
  if (!owner) return false;
  return has(owner.includes(NESTED) ? owner.slice(0, owner.lastIndexOf(NESTED)) : '', name);
}

let pruned = 0;
for (const [owner, entry] of Object.entries(lock.packages)) {
  for (const name of Object.keys(entry.optionalDependencies ?? {})) {
    if (has(owner, name)) continue;
    delete entry.optionalDependencies[name];
    pruned += 1;
  }
}
writeFileSync('package-lock.json', `${JSON.stringify(lock, null, 2)}\n`);
console.log(`${pruned} optional dependencies without an entry taken out of package-lock.json`);
