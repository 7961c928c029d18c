import Link from "next/link";
import { Program } from "./program";

export default function NotFound() {
  return (
    <Program>
      <h1 className="mt-10 mb-4 text-[46px]">Nothing is kept here</h1>
      <p className="text-[17px]">
        The address names a rep or page that is not there.{" "}
        <Link href="/reps" className="text-link">
          All reps
        </Link>
      </p>
    </Program>
  );
}
