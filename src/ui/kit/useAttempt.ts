import { useTransition } from "react";
import { toast } from "sonner";

/**
 * Has something kept or done by the server, and says so when that fails: nothing on the page is
 * lost. A redirect, which is how a finished action leaves, goes on.
 *
 * @returns whether it is under way, and how to begin
 */
export function useAttempt(
  trouble = "That could not be kept. Try again.",
): [boolean, (action: () => Promise<void>) => void] {
  const [pending, start] = useTransition();
  const attempt = (action: () => Promise<void>) =>
    start(async () => {
      try {
        await action();
      } catch (error) {
        if (
          error instanceof Error &&
          "digest" in error &&
          String(error.digest).startsWith("NEXT_REDIRECT")
        )
          throw error;
        toast.error(trouble);
      }
    });
  return [pending, attempt];
}
