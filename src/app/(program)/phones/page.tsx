import type { Metadata } from "next";
import { headers } from "next/headers";
import {
  answerAsking,
  answerPhones,
  newCertificate,
  offerPairing,
  revokePhone,
} from "@/app/phoneActions";
import { isFromDevice } from "@/server/http/thisComputer";
import { frontState } from "@/server/phones/phones";
import { PhonesView } from "@/ui/phones/phonesView";

export const metadata: Metadata = { title: "Phones" };

export default async function PhonesPage() {
  if (isFromDevice(await headers()))
    return (
      <>
        <h1 className="page-title">This phone is in</h1>
        <p className="max-w-prose text-[17px]">
          Phones are let in and out on the computer: open Phones there.
        </p>
      </>
    );
  return (
    <PhonesView
      initial={await frontState()}
      act={{ answerPhones, offerPairing, answerAsking, revokePhone, newCertificate }}
    />
  );
}
