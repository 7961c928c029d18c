import type { AnalysedRep } from "@/core/analysis";
import { isRehearsal, type Verdict } from "@/core/judge";
import { decidingCheck } from "@/ui/charts/strip/gates";
import { PHONE_STRIP } from "@/ui/charts/strip/geometry";
import { RepStrip } from "@/ui/charts/strip/repStrip";
import { lines, verdictWords } from "./words";

interface Props {
  rep: AnalysedRep;
  hand: "left" | "right";
  /** How many of the bout's reps are counted, and how many there are. */
  count: number;
  of: number;
  /** What comes next, small: "stand still". */
  next: string;
}

/**
 * Did it count? The whole screen answers, for eyes that are 5 m away: an open gate, a shut one, or
 * a broken ring.
 */
export function VerdictScreen({ rep, hand, count, of, next }: Props) {
  const verdict = rep.verdict!;
  const { result } = verdict;
  const said = verdictWords(verdict);
  if (isRehearsal(verdict)) return <Counted {...{ count, of, next }} />;
  return (
    <div
      className="@container-[size] relative grid h-full grid-rows-[auto_1fr_auto] overflow-hidden bg-paper text-center"
      data-result={result}
    >
      {result !== "not judged" && (
        <Posts colour={result === "pass" ? "var(--pass)" : "var(--fail)"} />
      )}
      <div aria-live="assertive" className="relative">
        {result === "pass" && (
          <p className="display px-[9cqw] pt-[4cqh] text-[min(38cqw,20cqh)] leading-none text-pass">
            Pass
          </p>
        )}
        {result === "fail" && (
          <>
            <p className="display mt-[5cqh] bg-fail py-[1cqh] text-[min(24cqw,11cqh)] text-on">
              Fail
            </p>
            <Large words={said.word} />
          </>
        )}
        {result === "not judged" && (
          <>
            <Ring>
              <span className="display text-[min(17cqw,8cqh)] text-unsure">
                Not
                <br />
                judged
              </span>
            </Ring>
            <p className="display px-4 text-[min(15cqw,7cqh)] text-unsure">{said.more}</p>
            <Large words={said.word} />
          </>
        )}
      </div>
      <div className="relative mx-[9cqw] min-h-0">
        {result !== "not judged" && <Deciding rep={rep} hand={hand} verdict={verdict} />}
      </div>
      <p className="relative pt-[1cqh] pb-[2cqh] leading-none">
        <span className="display text-[min(13cqw,6cqh)]">
          <strong>{count}</strong> <span className="text-ink-2">/ {of}</span>
        </span>
        <span className="block h-6 text-[20px] text-ink-2">{next}</span>
      </p>
    </div>
  );
}

/** A rehearsal: how many, and nothing else. */
function Counted({ count, of, next }: Pick<Props, "count" | "of" | "next">) {
  return (
    <div
      className="@container-[size] grid h-full content-center overflow-hidden bg-paper text-center"
      data-result="counted"
    >
      <p aria-live="assertive" className="display text-[min(56cqw,40cqh)] leading-none">
        <span className="sr-only">Counted: </span>
        {count}
      </p>
      <p className="display text-[min(15cqw,8cqh)] text-ink-2">of {of}</p>
      <p className="mt-4 text-[20px] text-ink-2">{next}</p>
    </div>
  );
}

/** The cue, as wide as it fits. */
function Large({ words }: { words: string }) {
  const set = lines(words);
  const longest = Math.max(...set.map((l) => l.length));
  // The display face is half as wide as it is high; posts and edges take a fifth of the width.
  return (
    <p
      className="display px-[9cqw] py-[2cqh] leading-[0.95]"
      style={{
        fontSize: `min(${(WIDE / longest).toFixed(1)}cqw, ${(TALL / set.length).toFixed(1)}cqh)`,
      }}
    >
      {set.map((l) => (
        <span key={l} className="block">
          {l}
        </span>
      ))}
    </p>
  );
}

/**
 * Letters' width in hundredths of the screen's, and all lines' height in hundredths of its height.
 */
const WIDE = 158;
const TALL = 38;

/**
 * The strip's stretch that decided: round the cue's gate, or of a pass from the start to the
 * strike.
 */
function Deciding({ rep, hand, verdict }: Pick<Props, "rep" | "hand"> & { verdict: Verdict }) {
  const events = Object.fromEntries(Object.entries(rep.events).map(([k, v]) => [k, v.t]));
  const at = Object.fromEntries(
    Object.entries(rep.measures).flatMap(([k, m]) => (m.at === undefined ? [] : [[k, m.at]])),
  );
  const start = (events.handStart ?? rep.from) - 350;
  const end = (events.impact ?? events.release ?? rep.to) + 150;
  return (
    <div className="mx-auto grid h-full place-items-center [&>svg]:h-full [&>svg]:max-w-full">
      <RepStrip
        size={verdict.result === "pass" ? { ...PHONE_STRIP, height: PASS_HEIGHT } : PHONE_STRIP}
        few
        label="The stretch that decided"
        stretch={[start, end]}
        onlyGate={decidingCheck(verdict)?.id ?? ""}
        data={{ series: rep.series, events, hand, checks: verdict.checks, at }}
      />
    </div>
  );
}

/** A pass has no cue: its strip takes the room. */
const PASS_HEIGHT = 480;

function Posts({ colour }: { colour: string }) {
  return (
    <>
      <div
        aria-hidden
        className="absolute inset-y-0 left-0 w-[7.2cqw]"
        style={{ background: colour }}
      />
      <div
        aria-hidden
        className="absolute inset-y-0 right-0 w-[7.2cqw]"
        style={{ background: colour }}
      />
    </>
  );
}

function Ring({ children }: { children: React.ReactNode }) {
  return (
    <div className="relative mx-auto mt-[2cqh] grid aspect-square w-[min(76cqw,36cqh)] place-items-center">
      <svg viewBox="0 0 100 100" aria-hidden className="absolute inset-0">
        <circle
          cx={50}
          cy={50}
          r={44.5}
          fill="none"
          stroke="var(--unsure)"
          strokeWidth={10.5}
          strokeDasharray="14.6 8.7"
        />
      </svg>
      <span className="relative leading-[0.95]">{children}</span>
    </div>
  );
}
