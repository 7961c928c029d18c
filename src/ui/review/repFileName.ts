/** What a rep's files are called, without an ending: 'rep-3-2026-11-24'. */
export const repFileName = ({
  number,
  boutStartedAt,
}: {
  number: number;
  boutStartedAt: Date;
}): string => `rep-${number}-${new Date(boutStartedAt).toISOString().slice(0, 10)}`;
