import { failWords, leftOpen } from "@/core/judge";
import type { RepDetail } from "@/server/reps/queries";
import { inWords } from "@/ui/kit/inWords";

/** The one thing to change, in a sentence. */
export function Next({ rep }: { rep: RepDetail }) {
  const v = rep.verdict;
  const { stage } = rep;
  if (!v || !stage) return null;
  const action = stage.actions.find((a) => a.id === v.cue?.id);
  const check = stage.checks.find((c) => c.id === v.cue?.id);
  const result = v.checks.find((c) => c.id === v.cue?.id);
  const words = action?.next ?? (check && result ? failWords(check, result).next : null);
  const open = v.checks.some(leftOpen);
  const text =
    words ??
    (v.result === "pass"
      ? "Do it " +
        `again${rep.dose ? `: a set is ${inWords(rep.dose.reps)} reps. ${rep.dose.note ?? ""}` : "."} ` +
        `${rep.why ?? ""}`
      : open
        ? "Do another: nearer the middle of the band the film is sure of it."
        : null);
  if (!text) return null;
  return (
    <section className="mt-5">
      <h2 className="mb-2 text-[23px]">Next</h2>
      <p>{text}</p>
      {rep.problems.map((p) => (
        <p key={p.code} className="mt-2 border-l-4 border-edge pl-3">
          {p.message} {p.action}
        </p>
      ))}
    </section>
  );
}
