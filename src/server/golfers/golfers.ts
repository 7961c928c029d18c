import { randomUUID } from "node:crypto";
import { cookies } from "next/headers";
import { asc, eq } from "drizzle-orm";
import type { GolferAnswers } from "../../core/formats";
import type { Db } from "../db/open";
import { golfer } from "../db/schema";
import { lockGolfer } from "./whose";

export type Golfer = typeof golfer.$inferSelect;

const COOKIE = "kingfisher-golfer";

/** Who practises in this browser: the one chosen, else the first; null before anyone is there. */
export async function currentGolfer(db: Db): Promise<Golfer | null> {
  const chosen = (await cookies()).get(COOKIE)?.value;
  const all = await listGolfers(db);
  return all.find((g) => g.id === chosen) ?? all[0] ?? null;
}

export const listGolfers = (db: Db): Promise<Golfer[]> =>
  db.select().from(golfer).orderBy(asc(golfer.createdAt));

export async function chooseGolfer(id: string): Promise<void> {
  (await cookies()).set(COOKIE, id, {
    sameSite: "strict",
    httpOnly: true,
    path: "/",
    maxAge: 10 * 365 * 86400,
  });
}

/** The made-up golfer for trying the program out: one that is there, else a new one. */
export async function sampleGolfer(db: Db): Promise<string> {
  const known = (await listGolfers(db)).find((g) => g.sample);
  if (known) return known.id;
  const id = randomUUID();
  await db.insert(golfer).values({ id, ...SAMPLE, sample: true });
  return id;
}

const SAMPLE: GolferAnswers = {
  name: "Inka Sorrel",
  hand: "right",
  statureCm: 170,
  units: "cm",
  keepFilm: true,
};

/** What a golfer's page and drills keep of them: made from the row as it is at that moment. */
export async function keepOfGolfer(
  db: Db,
  id: string,
  change: (
    now: Golfer,
  ) => Partial<
    Pick<
      Golfer,
      | "armSpanCm"
      | "stance"
      | "styles"
      | "cautionsRead"
      | "goals"
      | "lacks"
      | "week"
      | "sore"
      | "body"
      | "wentOn"
    >
  >,
): Promise<void> {
  await db.transaction(async (tx) => {
    const now = await lockGolfer(tx, id);
    if (now) await tx.update(golfer).set(change(now)).where(eq(golfer.id, id));
  });
}

export async function saveGolfer(db: Db, id: string | null, form: GolferAnswers): Promise<string> {
  if (id === null) {
    const made = randomUUID();
    await db.insert(golfer).values({ id: made, ...form });
    return made;
  }
  await db.update(golfer).set(form).where(eq(golfer.id, id));
  return id;
}
