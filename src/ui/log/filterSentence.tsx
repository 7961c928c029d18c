"use client";

import { useRouter, useSearchParams } from "next/navigation";
import { useState } from "react";

interface Props {
  drills: readonly { id: string; name: string }[];
  places: readonly string[];
  clubs: readonly string[];
  tags: readonly string[];
  since: readonly { day: string; words: string }[];
}

/**
 * What of the log is shown, as a sentence whose words can be changed; it stands in the address. The
 * only form that writes there, so no library for that is loaded: all other addresses are links.
 */
export function FilterSentence({ drills, places, clubs, tags, since }: Props) {
  const router = useRouter();
  const asked = useSearchParams();
  const [text, setText] = useState(asked.get("text") ?? "");
  const put = (key: string, value: string) => {
    const next = new URLSearchParams(asked);
    next.delete("page");
    if (value) next.set(key, value);
    else next.delete(key);
    router.push(`/reps${next.size ? `?${next}` : ""}`);
  };
  const word = (key: string, every: string, all: readonly (readonly [string, string])[]) =>
    all.length > 0 && (
      <select
        aria-label={every}
        value={asked.get(key) ?? ""}
        onChange={(e) => put(key, e.target.value)}
        className="min-h-11 max-w-full cursor-pointer border-b-2 border-ink bg-paper font-bold"
      >
        <option value="">{every}</option>
        {all.map(([v, name]) => (
          <option key={v} value={v}>
            {name}
          </option>
        ))}
      </select>
    );
  const same = (list: readonly string[]) => list.map((v) => [v, v] as const);
  return (
    <form
      role="search"
      className="flex flex-wrap items-center gap-x-2 gap-y-1 text-[20px] md:text-[23px]"
      onSubmit={(e) => {
        e.preventDefault();
        put("text", text.trim());
      }}
    >
      Showing{" "}
      {word(
        "drill",
        "every drill",
        drills.map((d) => [d.id, d.name]),
      )}{" "}
      {word("result", "every verdict", [
        ["pass", "with a pass"],
        ["fail", "with a fail"],
        ["not judged", "with one not judged"],
      ])}{" "}
      {word(
        "from",
        "since ever",
        since.map((s) => [s.day, s.words]),
      )}{" "}
      {places.length > 0 && "at"} {word("place", "any place", same(places))}{" "}
      {word("club", "any club", same(clubs))} {word("tag", "any tag", same(tags))}
      <span className="flex items-center gap-2">
        with{" "}
        <input
          aria-label="Words in notes, names and places"
          value={text}
          onChange={(e) => setText(e.target.value)}
          onBlur={() => text.trim() !== (asked.get("text") ?? "") && put("text", text.trim())}
          placeholder="any words"
          className="min-h-11 w-44 border-b-2 border-ink bg-paper font-bold"
        />
      </span>
    </form>
  );
}
