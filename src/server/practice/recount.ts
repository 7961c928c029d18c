import { sql } from "drizzle-orm";
import type { Db } from "../db/open";

/**
 * Brings a bout's own figures up to its reps: how many, what was said of each, and the middle and
 * quartiles of each measure. To be called in the transaction that changed them, so that lists and
 * trends never look at single reps. A bout without film keeps what the golfer counted.
 */
export async function recount(tx: Db, boutId: string): Promise<void> {
  // Two reps that are kept at the same time count one after the other, each seeing what the other
  // has kept.
  await tx.execute(sql`select id from bout where id = ${boutId} for no key update`);
  await tx.execute(sql`
    update bout set done = c.done, passed = c.passed, failed = c.failed, not_judged = c.not_judged, results = c.results
    from (
      select count(r.id)::int as done,
        (count(*) filter (where coalesce(o.result, v.result) = 'pass'))::int as passed,
        (count(*) filter (where coalesce(o.result, v.result) = 'fail'))::int as failed,
        (count(*) filter (where coalesce(o.result, v.result) = 'not judged'))::int as not_judged,
        coalesce(string_agg(case coalesce(o.result, v.result) when 'pass' then 'p' when 'fail' then 'f' when 'not judged' then 'n' else 'm' end, '' order by r.created_at, r.index), '') as results
      from rep r
        left join verdict v on v.rep_id = r.id and v.by = 'computed'
        left join verdict o on o.rep_id = r.id and o.by = 'golfer'
      where r.bout_id = ${boutId} and r.removed_at is null
    ) c
    where bout.id = ${boutId} and not bout.by_hand`);
  await tx.execute(sql`delete from bout_measure where bout_id = ${boutId}`);
  await tx.execute(sql`
    insert into bout_measure (bout_id, golfer_id, drill_id, stage_id, day, measure_id, n, low, middle, high, u)
    select b.id, b.golfer_id, b.drill_id, b.stage_id, b.day, m.measure_id, count(*)::int,
      percentile_cont(0.25) within group (order by m.value), percentile_cont(0.5) within group (order by m.value), percentile_cont(0.75) within group (order by m.value),
      percentile_cont(0.5) within group (order by m.u)
    from measure m join rep r on r.id = m.rep_id join bout b on b.id = r.bout_id
    where b.id = ${boutId} and r.removed_at is null and m.state = 'measured' and m.value is not null and m.u is not null
    group by b.id, m.measure_id`);
}

/**
 * Brings the words of a session's bouts up to what is written there; in the transaction that
 * changed it.
 */
export async function reword(tx: Db, sessionId: string): Promise<void> {
  await tx.execute(sql`
    update bout set words = lower(concat_ws(' ', bout.note, bout.club, bout.ball, bout.tags::text, s.place, s.weather, s.note))
    from session s where s.id = bout.session_id and s.id = ${sessionId}`);
}
