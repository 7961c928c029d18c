import Link from "next/link";

/** A drill in a list: its name, which leads to it, and what it is for. */
export function DrillName({ drill }: { drill: { id: string; name: string; why: string } }) {
  return (
    <span>
      <Link href={`/drills/${drill.id}`} prefetch={false} className="display text-[23px] text-link">
        {drill.name}
      </Link>
      <span className="mt-1 block max-w-prose text-[15px]">{drill.why}</span>
    </span>
  );
}
