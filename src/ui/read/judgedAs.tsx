import Link from "next/link";

/** A drill that clips can be read for. */
export interface DrillToRead {
  id: string;
  name: string;
  /** The built-in drill whose movement it has: what is read of a clip goes by that. */
  readAs: string;
  version: number;
  stages: readonly { id: string; name: string; view: "face-on" | "down-the-line"; main: boolean }[];
}

const SELECT =
  "min-h-11 max-w-full rounded-control border-[1.5px] border-edge bg-paper px-3 font-semibold";

interface Props {
  drills: readonly DrillToRead[];
  drill: string;
  stages: DrillToRead["stages"];
  stage: string | undefined;
  disabled: boolean;
  /** The golfer has not read yet what to take care of. */
  caution: boolean;
  choose: (drill: string) => void;
  chooseStage: (stage: string) => void;
}

/** Which drill, and which stage of it, clips are judged as. */
export function JudgedAs({
  drills,
  drill,
  stages,
  stage,
  disabled,
  caution,
  choose,
  chooseStage,
}: Props) {
  return (
    <div className="mt-3 flex flex-wrap items-center gap-x-2 gap-y-1 text-[17px]">
      <label className="flex flex-wrap items-center gap-2">
        Judge them as
        <select
          value={drill}
          onChange={(e) => choose(e.target.value)}
          disabled={disabled}
          className={SELECT}
        >
          {drills.map((d) => (
            <option key={d.id} value={d.id}>
              {d.name}
            </option>
          ))}
          <option value="none">nothing: only measure</option>
        </select>
      </label>
      {stages.length > 1 && (
        <label className="flex flex-wrap items-center gap-2">
          stage
          <select
            value={stage}
            onChange={(e) => chooseStage(e.target.value)}
            disabled={disabled}
            className={SELECT}
          >
            {stages.map((s) => (
              <option key={s.id} value={s.id}>
                {s.name}
                {s.name.startsWith("Seen")
                  ? ""
                  : s.view === "face-on"
                    ? ", from in front"
                    : ", from behind"}
              </option>
            ))}
          </select>
        </label>
      )}
      {drill !== "none" && caution && (
        <Link href={`/drills/${drill}/ready`} className="text-link">
          First time with it? What to take care of
        </Link>
      )}
    </div>
  );
}
