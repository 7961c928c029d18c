"use server";

import { revalidatePath } from "next/cache";
import type { FilmingPlace } from "@/ui/film/setUp";
import { fromHere } from "@/app/whoever";
import { writePlace } from "./place";

/** Keeps what the golfer says of the place, and plans anew. */
export async function keepPlace(said: FilmingPlace): Promise<void> {
  await fromHere();
  await writePlace(said);
  revalidatePath("/film");
}
