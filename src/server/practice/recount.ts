import { sql } from "drizzle-orm";
import type { Db } from "../db/open";

/**
 * Brings a bout's own figures up to its reps: how many, what was said of them, and the middle and quartiles of each measure. To be
 * called in the transaction that changed them, so that lists and trends never look at single reps. A bout without film keeps what
 * the golfer counted.
 */
export async function recount(tx: Db, boutId: string): Promise<void> {
  await tx.execute(sql`
    update bout set done = c.done, passed = c.passed, failed = c.failed, not_judged = c.not_judged
    from (
      select count(r.id)::int as done,
        (count(*) filter (where coalesce(o.result, v.result) = 'pass'))::int as passed,
        (count(*) filter (where coalesce(o.result, v.result) = 'fail'))::int as failed,
        (count(*) filter (where coalesce(o.result, v.result) = 'not judged'))::int as not_judged
      from rep r
        left join verdict v on v.rep_id = r.id and v.by = 'computed'
        left join verdict o on o.rep_id = r.id and o.by = 'golfer'
      where r.bout_id = ${boutId} and r.removed_at is null
    ) c
    where bout.id = ${boutId} and not bout.by_hand`);
  await tx.execute(sql`delete from bout_measure where bout_id = ${boutId}`);
  await tx.execute(sql`
    insert into bout_measure (bout_id, measure_id, n, low, middle, high, u)
    select r.bout_id, m.measure_id, count(*)::int,
      percentile_cont(0.25) within group (order by m.value), percentile_cont(0.5) within group (order by m.value), percentile_cont(0.75) within group (order by m.value),
      percentile_cont(0.5) within group (order by m.u)
    from measure m join rep r on r.id = m.rep_id
    where r.bout_id = ${boutId} and r.removed_at is null and m.state = 'measured' and m.value is not null and m.u is not null
    group by r.bout_id, m.measure_id`);
}
