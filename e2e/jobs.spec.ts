import { Job } from './jobs/job';
import { JOBS } from './jobs/jobs';
import { test, WIDE } from './stack';

/** `npm run jobs` walks all of them; every run the ones that are marked. */
const wanted = process.env['JOBS'] === 'all' ? JOBS : JOBS.filter(({ always }) => always === true);

test.describe('whole jobs from an empty shoot', () => {
  test.use({ viewport: WIDE });
  for (const { name, run } of wanted)
    test(name, async ({ page, stack }) => {
      const job = new Job(page, stack);
      await job.begin('A job');
      await run(job);
    });
});
