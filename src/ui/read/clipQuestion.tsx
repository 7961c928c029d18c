import type { ClipQuestion } from "@/core/analysis";
import type { ClipAnswer, ClipState } from "./queue";

type Asked = Extract<ClipState, { step: "asks" }>;

interface Choice {
  says: string;
  answer: ClipAnswer;
}

/** What each question asks, and its answers. */
function asked(
  { code, message }: ClipQuestion,
  hand: "left" | "right",
): { title: string; text: string; choices: Choice[] } {
  switch (code) {
    case "slowMotion":
      return {
        title: "Filmed in slow motion?",
        text: "The swing lasts too long for real speed. At how many pictures a second was it filmed?",
        choices: [120, 240].map((fps) => ({
          says: `${fps} a second`,
          answer: { captureFps: fps },
        })),
      };
    case "otherHand":
      return {
        title: hand === "right" ? "A left-handed swing?" : "A right-handed swing?",
        text: "It goes the other way: another golfer, or a camera that mirrors.",
        choices: [
          { says: "Yes, or mirrored", answer: { otherHand: true } },
          { says: `No, ${hand}-handed`, answer: { sure: true } },
        ],
      };
    case "otherMovement":
      return {
        title: "Another movement?",
        text: message,
        choices: [{ says: "Judge it as this drill", answer: { sure: true } }],
      };
  }
}

/** A question without whose answer a clip is not judged; an answer goes for all that ask the same. */
export function ClipQuestionCard({
  state,
  hand,
  answer,
}: {
  state: Asked;
  hand: "left" | "right";
  answer(said: ClipAnswer): void;
}) {
  const { title, text, choices } = asked(state.question, hand);
  return (
    <div className="grid h-full content-start gap-3 bg-ink p-4 text-paper">
      <p className="display text-[24px]">{title}</p>
      <p className="text-[15px]">{text}</p>
      {choices.map((c) => (
        <button
          key={c.says}
          type="button"
          className="min-h-11 rounded-control bg-paper font-semibold text-ink"
          onClick={() => answer(c.answer)}
        >
          {c.says}
        </button>
      ))}
    </div>
  );
}
