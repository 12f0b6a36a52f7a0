import { startMariaDb } from './mariadb';
import { openDatabase } from '../src/db/database';
import { migrator } from '../src/db/migrations';
import { inTransaction } from '../src/db/withTransaction';
const t0=Date.now();
const m = await startMariaDb('/tmp/s/mdb'); console.log(m.url(), Date.now()-t0);
const db = openDatabase(m.url());
await migrator(db).up(); console.log('migrated', Date.now()-t0);
await inTransaction(db, async (w) => {
  const id = await w.insert('schools', {name:'x'+t0}); console.log('id', id);
  await w.insert('school_years', {first_day:'2026-08-17', last_day:'2027-06-01'}).catch(()=>{});
  await w.insert('people', {name:'a', email:'b'+t0, role:'therapist', password_hash:'', created_at: 1234567890123});
  await w.insertAll('schools', [{name:'y'+t0},{name:'z'+t0}]);
  const task=await w.insert('tasks',{slug:'s'+t0}); await w.insert('task_versions',{task_id:task, number:1, content:{a:[1,'é']}, created_at: Date.now()});
  console.log(await w.select('SELECT * FROM school_years'), await w.select('SELECT * FROM people'), await w.select('SELECT COUNT(*) n, MAX(id) m FROM schools WHERE id IN (:ids)', {ids:[1,2,3]}), JSON.stringify(await w.select('SELECT * FROM task_versions')));
  console.log(await w.update('schools',{visit_days:'Mon'},{id}));
});
await migrator(db).down({to:0}); await migrator(db).up();
await db.close(); await m.stop(); console.log('end', Date.now()-t0);
