import type { Drill } from "@/core/drills";

/** A drill's name and why it helps; beside them what can be done with it. */
export function DrillHeading({
  drill: { name, why },
  children,
}: {
  drill: Pick<Drill, "name" | "why">;
  children: React.ReactNode;
}) {
  return (
    <div className="mt-5 mb-6 flex flex-wrap items-end justify-between gap-x-10 gap-y-4">
      <div>
        <p className="side-note">What should your feet do?</p>
        <h1 className="page-title">{name}</h1>
      </div>
      <p className="max-w-[30rem] text-[20px] leading-snug">{why}</p>
      {children}
    </div>
  );
}
