import { SHORTEST, type search, SYMPTOM_ROWS } from "@/core/choose";
import type { useWish } from "./useWish";

type Found = ReturnType<typeof search>;

/** What do you notice? Typed, or chosen from what golfers usually notice. */
export function NoticeField({
  wish,
  change,
  left,
  found,
  symptom,
}: ReturnType<typeof useWish> & { found: Found; symptom: Found["symptoms"][number] | null }) {
  const typed = wish.q.trim().length >= SHORTEST;
  return (
    <>
      <p className="mt-5 side-note" id="notice-label">
        What do you notice?
      </p>
      <div className="mt-1 flex flex-wrap items-center gap-x-8 gap-y-3">
        <input
          type="search"
          aria-labelledby="notice-label"
          value={wish.q}
          placeholder="I catch the ground first"
          onChange={(e) => change({ q: e.target.value, notice: "" })}
          onBlur={left}
          className="min-h-13 w-full max-w-[480px] rounded-control border-[1.5px] border-edge bg-paper px-4 text-[20px] placeholder:text-ink-2"
        />
        {typed && (
          <p className="side-note" aria-live="polite">
            {symptom ? (
              <>
                Read as <strong className="text-ink">{symptom.name.toLowerCase()}</strong>.
              </>
            ) : found.drills.length ? (
              "No complaint sounds like this; drills that do:"
            ) : (
              "Nothing sounds like this. Choose one of these:"
            )}
            {found.symptoms.length > 1 && (
              <>
                {" "}
                Or is it{" "}
                {found.symptoms.slice(1, 4).map((s, i) => (
                  <span key={s.id}>
                    {i > 0 && ", "}
                    <button
                      type="button"
                      className="font-semibold text-ink text-link"
                      onClick={() => change({ notice: s.id, q: "" })}
                    >
                      {s.name.toLowerCase()}
                    </button>
                  </span>
                ))}
                ?
              </>
            )}
          </p>
        )}
      </div>
      <ul aria-label="What golfers usually notice" className="mt-4 flex flex-wrap gap-x-5 gap-y-0">
        {SYMPTOM_ROWS.map((s) => (
          <li key={s.id}>
            <button
              type="button"
              aria-pressed={symptom?.id === s.id}
              className={`min-h-11 underline-offset-4 ${symptom?.id === s.id ? "font-bold no-underline" : "underline decoration-hair hover:decoration-ink"}`}
              onClick={() => change({ notice: wish.notice === s.id ? "" : s.id, q: "" })}
            >
              {s.name}
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}
