import { startPostgres } from '../postgres.mjs';
import { loadHistory } from './loadHistory';

const at = process.argv.indexOf('--jobs');
const jobs = Number(process.argv[at + 1]);
if (at < 0 || !Number.isInteger(jobs) || jobs < 100) {
  console.error('npm run load -- --jobs N: a whole number from 100 on');
  process.exit(2);
}
const cluster = await startPostgres('load', { fresh: true });
if (!cluster) process.exit(1);
const { entries, seconds } = await loadHistory(cluster.url, jobs, (share) =>
  process.stdout.write(`\r${Math.round(100 * share)} %`),
);
console.log(`\r${jobs} jobs with ${entries} entries in ${seconds.toFixed(0)} s.`);
console.log(`To look at it: DATABASE_URL=${cluster.url} npm start`);
