import { randomUUID } from "node:crypto";
import { cookies } from "next/headers";
import { asc, eq } from "drizzle-orm";
import { z } from "zod";
import type { Db } from "../db/open";
import { golfer } from "../db/schema";

export type Golfer = typeof golfer.$inferSelect;

/** What is asked once of a golfer. Stature in cm; the form turns feet and inches into it. */
export const golferForm = z.object({
  name: z.string().trim().min(1, "Give a name.").max(60, "A shorter name, please: 60 letters at most."),
  hand: z.enum(["left", "right"], "Say which hand you play."),
  statureCm: z.number("Say how tall you are.").min(120, "Your height is 120 to 220 cm.").max(220, "Your height is 120 to 220 cm."),
  units: z.enum(["cm", "inch"]),
  keepFilm: z.boolean(),
});
export type GolferForm = z.infer<typeof golferForm>;

const COOKIE = "kingfisher-golfer";

/** Who practises in this browser: the one chosen, else the first; null before anyone is there. */
export async function currentGolfer(db: Db): Promise<Golfer | null> {
  const chosen = (await cookies()).get(COOKIE)?.value;
  const all = await listGolfers(db);
  return all.find((g) => g.id === chosen) ?? all[0] ?? null;
}

export const listGolfers = (db: Db): Promise<Golfer[]> => db.select().from(golfer).orderBy(asc(golfer.createdAt));

export async function chooseGolfer(id: string): Promise<void> {
  (await cookies()).set(COOKIE, id, { sameSite: "strict", httpOnly: true, path: "/", maxAge: 10 * 365 * 86400 });
}

export async function saveGolfer(db: Db, id: string | null, form: GolferForm): Promise<string> {
  if (id === null) {
    const made = randomUUID();
    await db.insert(golfer).values({ id: made, ...form });
    return made;
  }
  await db.update(golfer).set(form).where(eq(golfer.id, id));
  return id;
}
