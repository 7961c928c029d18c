import { To } from "@/ui/kit/to";

/** What was asked for is not on this phone. */
export function NotHere({ what }: { what: string }) {
  return (
    <>
      <h1 className="mt-10 mb-4 text-[46px] leading-none">{what} is not on this phone</h1>
      <p className="text-[17px]">
        It may be on the computer.{" "}
        <To href="/" className="text-link">
          What is here
        </To>
      </p>
    </>
  );
}
