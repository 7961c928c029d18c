import { laidInsoles } from "@/core/practice";
import { keepOfRep } from "@/server/http/keepOfRep";
import { keepInsoles } from "@/server/reps/insoles";

/** Keeps what insoles measured of a rep, or with null takes it away. */
export const PUT = keepOfRep(laidInsoles.nullable(), "That can't be kept", keepInsoles);
