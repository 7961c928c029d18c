"use server";

import { headers } from "next/headers";
import { z } from "zod";
import { frontCalls, switchOff, switchOn } from "@/server/phones/phones";
import { mustBeThisComputer } from "@/server/http/thisComputer";
import { UserError } from "@/server/userError";
import { fromHere } from "./whoever";

/** What went wrong, in words: null when nothing did. */
type Trouble = string | null;

/** Has something done with the front that only this computer may ask for. */
async function done(what: () => Promise<unknown>): Promise<Trouble> {
  await fromHere();
  mustBeThisComputer(await headers());
  try {
    await what();
    return null;
  } catch (error) {
    if (error instanceof UserError) return error.message;
    throw error;
  }
}

/** Lets phones in the home ask this program from now on: those that are paired. */
export const answerPhones = async (on: boolean): Promise<Trouble> =>
  done(z.boolean().parse(on) ? switchOn : switchOff);

export const offerPairing = async (): Promise<Trouble> => done(() => frontCalls().offer());

/** @param words that the golfer saw on both screens; null: it stays out */
export const answerAsking = async (words: string | null): Promise<Trouble> => {
  const seen = z.string().max(80).nullable().parse(words);
  return done(() => (seen === null ? frontCalls().refuse() : frontCalls().confirm(seen)));
};

export const revokePhone = async (id: string): Promise<Trouble> => {
  const phone = z.uuid().parse(id);
  return done(() => frontCalls().revoke(phone));
};

/** Another certificate, for where the computer is now: every phone has to trust it anew. */
export const newCertificate = async (): Promise<Trouble> => done(() => frontCalls().newAuthority());
