"use client";

import { useEffect, useState } from "react";
import type { FrontState } from "@/front/calls";
import { Button } from "@/ui/kit/button";
import { longTime } from "@/ui/kit/dates";
import { Qr } from "./qr";
import { useFront } from "./useFront";

type Trouble = string | null;
interface Acts {
  answerPhones(on: boolean): Promise<Trouble>;
  offerPairing(): Promise<Trouble>;
  answerAsking(words: string | null): Promise<Trouble>;
  revokePhone(id: string): Promise<Trouble>;
  newCertificate(): Promise<Trouble>;
}

/** Lets phones in the home use the program: off, then an offer, then who is in. */
export function PhonesView({ initial, act }: { initial: FrontState | null; act: Acts }) {
  const [state, ask] = useFront(initial);
  const [trouble, setTrouble] = useState<Trouble>(null);
  const [busy, setBusy] = useState(false);
  const run = (what: () => Promise<Trouble>) => async () => {
    setBusy(true);
    setTrouble(await what().catch(() => "That did not work. Load the page and try again."));
    await ask();
    setBusy(false);
  };
  return (
    <>
      <p className="mt-5 side-note">Which phones may use this program?</p>
      <h1 className="page-title">{titleOf(state)}</h1>
      <p role="alert" className="max-w-prose text-fail empty:hidden">
        {trouble}
      </p>
      {!state ? (
        <Off start={run(() => act.answerPhones(true))} busy={busy} />
      ) : (
        <div className="mt-6 grid gap-x-12 gap-y-10 lg:grid-cols-2">
          <section aria-labelledby="in">
            <h2 id="in" className="text-[23px]">
              Let a phone in
            </h2>
            {state.asking ? (
              <Asking
                {...state.asking}
                busy={busy}
                answer={(words) => run(() => act.answerAsking(words))()}
              />
            ) : state.offer ? (
              <Offered offer={state.offer} addresses={state.addresses} />
            ) : (
              <>
                <p className="mb-3 max-w-prose text-[17px]">
                  Phone and computer on the same Wi-Fi. The code is good for two minutes and one
                  phone, and only while this page is open.
                </p>
                <Button look="main" disabled={busy} onClick={run(act.offerPairing)}>
                  Show a code
                </Button>
              </>
            )}
          </section>
          <Devices
            devices={state.devices}
            busy={busy}
            revoke={(id) => run(() => act.revokePhone(id))()}
          />
          <Addresses {...state} busy={busy} renew={run(act.newCertificate)} />
          <section aria-labelledby="off">
            <h2 id="off" className="text-[23px]">
              Switch off
            </h2>
            <p className="mb-3 max-w-prose text-[17px]">
              No phone is answered any more. Those that are in stay in for the next time.
            </p>
            <Button disabled={busy} onClick={run(() => act.answerPhones(false))}>
              Answer no phones
            </Button>
          </section>
        </div>
      )}
    </>
  );
}

function titleOf(state: FrontState | null): string {
  if (!state) return "Phones are not answered";
  const n = state.devices.length;
  return n === 0 ? "No phone is in yet" : n === 1 ? "One phone is in" : `${n} phones are in`;
}

function Off({ start, busy }: { start(): void; busy: boolean }) {
  return (
    <div className="mt-4 max-w-prose text-[17px]">
      <p>
        A phone counts your reps with its own camera, and this computer keeps them. Switched on, the
        program answers on your home network, over an encrypted connection, and only the phones that
        you let in here.
      </p>
      <p className="mt-3">
        At the range, or if you would rather not: film with the phone&rsquo;s own camera and bring
        the clips to Read clips.
      </p>
      <Button look="main" className="mt-5" disabled={busy} onClick={start}>
        Answer phones at home
      </Button>
    </div>
  );
}

function Offered({
  offer,
  addresses,
}: {
  offer: NonNullable<FrontState["offer"]>;
  addresses: string[];
}) {
  const left = useSecondsTo(offer.until);
  const spoken = offer.code.match(/.{4}/g)!.join(" ");
  return (
    <div className="mt-3 grid items-start gap-6 sm:grid-cols-[264px_1fr]">
      <Qr
        text={`${addresses[0]}/pair#${offer.secret}`}
        label="Code to let a phone in, for its camera"
      />
      <div>
        <p className="text-[17px]">
          Point the phone&rsquo;s camera at it. Or open one of these there, and type the code:
        </p>
        <ul className="text-[16px] font-bold">
          {addresses.slice(0, 2).map((a) => (
            <li key={a} className="wrap-anywhere">
              {a}/pair
            </li>
          ))}
        </ul>
        <p className="display my-2 text-[46px] leading-none tabular-nums">{spoken}</p>
        <p className="side-note" role="timer">
          Good for {Math.floor(left / 60)}:{String(left % 60).padStart(2, "0")} more
          {offer.triesLeft < 5 &&
            `, ${offer.triesLeft} ${offer.triesLeft === 1 ? "try" : "tries"} left`}
          .
        </p>
        <p className="mt-3 side-note">
          The phone may warn that it does not know this computer. The page there says how to trust
          it.
        </p>
      </div>
    </div>
  );
}

function Asking({
  name,
  words,
  busy,
  answer,
}: {
  name: string;
  words: string;
  busy: boolean;
  answer(words: string | null): void;
}) {
  return (
    <div role="alertdialog" aria-labelledby="asks" className="mt-3 border-2 border-ink p-5">
      <p id="asks" className="text-[20px]">
        <strong>{name}</strong> asks to be let in. Does it show these two words?
      </p>
      <p className="display my-3 text-[46px] leading-none">{words}</p>
      <div className="flex flex-wrap gap-3">
        <Button look="main" disabled={busy} onClick={() => answer(words)}>
          Yes, let it in
        </Button>
        <Button disabled={busy} onClick={() => answer(null)}>
          No, keep it out
        </Button>
      </div>
    </div>
  );
}

function Devices({
  devices,
  busy,
  revoke,
}: {
  devices: FrontState["devices"];
  busy: boolean;
  revoke(id: string): void;
}) {
  return (
    <section aria-labelledby="who">
      <h2 id="who" className="text-[23px]">
        Who is in
      </h2>
      {devices.length === 0 && <p className="side-note">No phone yet.</p>}
      <ul className="divide-y divide-hair border-y border-hair empty:hidden">
        {devices.map((d) => (
          <li key={d.id} className="flex items-center justify-between gap-4 py-3">
            <span>
              <strong className="wrap-anywhere">{d.name}</strong>
              <span className="block side-note" suppressHydrationWarning>
                let in {longTime(new Date(d.pairedAt))}, last seen {longTime(new Date(d.seenAt))}
              </span>
            </span>
            <Button
              className="shrink-0 whitespace-nowrap"
              disabled={busy}
              onClick={() => revoke(d.id)}
              aria-label={`Put ${d.name} out`}
            >
              Put out
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Addresses({
  addresses,
  newAddresses,
  fingerprint,
  busy,
  renew,
}: FrontState & { busy: boolean; renew(): void }) {
  return (
    <section aria-labelledby="where">
      <h2 id="where" className="text-[23px]">
        Where a phone finds it
      </h2>
      <ul className="text-[17px]">
        {addresses.map((a) => (
          <li key={a} className="wrap-anywhere">
            {a}
          </li>
        ))}
      </ul>
      {newAddresses.length > 0 && (
        <div className="mt-3 max-w-prose text-[17px]">
          <p>
            This computer has a new address, {newAddresses.join(" and ")}, for which its certificate
            is not good. By its name phones still find it. With a new certificate they do by the
            address, too, but each must trust it anew.
          </p>
          <Button className="mt-3" disabled={busy} onClick={renew}>
            Make a new certificate
          </Button>
        </div>
      )}
      <p className="mt-3 max-w-prose text-[17px]">
        A phone compares this fingerprint before it trusts the certificate (SHA-256):
      </p>
      <p className="mt-1 max-w-prose font-mono text-[14px] break-words">{fingerprint}</p>
    </section>
  );
}

/** Whole seconds to an instant, 0 when it is past. */
function useSecondsTo(until: number): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(timer);
  }, []);
  return Math.max(0, Math.ceil((until - now) / 1000));
}
