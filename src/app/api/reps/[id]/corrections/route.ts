import { corrections } from "@/core/reps";
import { keepOfRep } from "@/server/http/keepOfRep";
import { correctRep } from "@/server/reps/correct";

/** Puts a rep's corrections in force, all of them and no others, with what hangs on them. */
export const PUT = keepOfRep(corrections, "That can't be put in", correctRep);
