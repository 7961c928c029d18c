/** How a file input looks. */
export const FILE_INPUT =
  "mt-1 block max-w-full file:mr-3 file:min-h-11 file:cursor-pointer file:rounded-control file:border-[1.5px] file:border-solid file:border-edge file:bg-paper file:px-4 file:font-semibold file:text-ink";

/** A file that is taken as soon as it is chosen; the same one can be chosen again. */
export function FileChoice({
  label,
  accept,
  chosen,
  disabled = false,
}: {
  label: string;
  accept: string;
  chosen(file: File): void;
  disabled?: boolean;
}) {
  return (
    <label className="block text-[15px]">
      {label}
      <input
        type="file"
        accept={accept}
        disabled={disabled}
        className={FILE_INPUT}
        onClick={(e) => {
          e.currentTarget.value = "";
        }}
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) chosen(file);
        }}
      />
    </label>
  );
}
