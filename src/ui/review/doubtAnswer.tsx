import { isDoubt } from "@/core/analysis";
import { Button } from "@/ui/kit/button";
import type { Correcting } from "./useCorrecting";

/** A rep that looks like something else is judged once the golfer has said what it is. */
export function DoubtAnswer({
  rep: { verdict, hand, statureCm },
  busy,
  correct,
}: Pick<Correcting, "rep" | "busy" | "correct">) {
  const code = verdict?.reason?.code;
  if (!isDoubt(code)) return null;
  const id = () => crypto.randomUUID();
  const other = hand === "right" ? "left" : "right";
  return (
    <div className="mt-3 flex flex-wrap gap-3">
      {code === "otherHand" && (
        <Button
          disabled={busy}
          onClick={() =>
            correct({
              id: id(),
              kind: "golfer",
              was: { hand, statureCm },
              now: { hand: other, statureCm },
            })
          }
        >
          It was {other}-handed
        </Button>
      )}
      <Button
        disabled={busy}
        onClick={() => correct({ id: id(), kind: "asDrill", was: false, now: true })}
      >
        {code === "otherHand" ? `It was ${hand}-handed` : "Judge it as this drill"}
      </Button>
    </div>
  );
}
