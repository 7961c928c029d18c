"use client";

import { zodResolver } from "@hookform/resolvers/zod";
import { useId } from "react";
import { Controller, useForm, useWatch } from "react-hook-form";
import { golferAnswers, type GolferAnswers } from "@/core/formats";
import { Button } from "@/ui/kit/button";
import { useAttempt } from "@/ui/kit/useAttempt";
import { CM_PER_INCH, shownStature } from "@/ui/kit/units";
import { Choice } from "./choice";
import { HandStrip } from "./handStrip";

/**
 * Hand, stature and units: asked once, changeable at any time. The scale of every length comes from
 * the stature.
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function GolferForm({
  initial,
  submit,
  action,
  also,
  naming,
}: {
  initial: GolferAnswers;
  submit: string;
  action: (a: GolferAnswers) => Promise<void>;
  also?: { submit: string; action: (a: GolferAnswers) => Promise<void> };
  naming: boolean;
}) {
  const { control, register, handleSubmit, formState } = useForm<GolferAnswers>({
    resolver: zodResolver(golferAnswers),
    defaultValues: initial,
    mode: "onBlur",
  });
  const [pending, attempt] = useAttempt();
  const id = useId();
  const units = useWatch({ control, name: "units" });
  const error = formState.errors.statureCm?.message;
  return (
    <form
      className="grid max-w-[480px] gap-7"
      noValidate
      onSubmit={handleSubmit((a) => attempt(() => action(a)))}
    >
      {naming && (
        <label className="grid gap-2 font-semibold">
          Name
          <input
            {...register("name")}
            className="min-h-11 rounded-control border-[1.5px] border-edge bg-paper px-3 font-normal"
          />
          {formState.errors.name && (
            <span role="alert" className="font-normal text-fail">
              {formState.errors.name.message}
            </span>
          )}
        </label>
      )}
      <Controller
        control={control}
        name="hand"
        render={({ field }) => (
          <div>
            <Choice
              legend="Which hand do you play?"
              value={field.value}
              onChange={field.onChange}
              options={[
                ["left", "Left"],
                ["right", "Right"],
              ]}
            />
            <HandStrip hand={field.value} />
          </div>
        )}
      />
      <Controller
        control={control}
        name="statureCm"
        render={({ field }) => (
          <div>
            <label htmlFor={`${id}-stature`} className="font-semibold">
              How tall are you?
            </label>{" "}
            <span className="text-ink-2">It sets the scale.</span>
            <div className="mt-2 grid grid-cols-[56px_1fr_56px] items-center gap-3">
              <Button
                aria-label="Less tall"
                onClick={() => field.onChange(Math.round(field.value || 170) - 1)}
              >
                −
              </Button>
              <span className="flex items-baseline justify-center gap-2">
                <input
                  id={`${id}-stature`}
                  inputMode="decimal"
                  type="number"
                  step="any"
                  className="display w-28 border-b-2 border-edge bg-paper text-right text-[40px]"
                  value={
                    Number.isNaN(field.value)
                      ? ""
                      : units === "cm"
                        ? field.value
                        : Math.round((field.value / CM_PER_INCH) * 10) / 10
                  }
                  onChange={(e) =>
                    field.onChange(
                      e.target.value === ""
                        ? NaN
                        : e.target.valueAsNumber * (units === "cm" ? 1 : CM_PER_INCH),
                    )
                  }
                  onBlur={field.onBlur}
                  aria-invalid={!!error}
                  aria-describedby={`${id}-stature-note`}
                />
                <span className="text-[20px]">{units === "cm" ? "cm" : "in"}</span>
              </span>
              <Button
                aria-label="Taller"
                onClick={() => field.onChange(Math.round(field.value || 170) + 1)}
              >
                +
              </Button>
            </div>
            <p
              id={`${id}-stature-note`}
              role={error ? "alert" : undefined}
              className={`mt-1 text-center text-[15px] ${error ? "text-fail" : "text-ink-2"}`}
            >
              {error ??
                (Number.isNaN(field.value)
                  ? " "
                  : shownStature(field.value, units === "cm" ? "inch" : "cm"))}
            </p>
          </div>
        )}
      />
      <Controller
        control={control}
        name="units"
        render={({ field }) => (
          <Choice
            legend="Lengths in"
            value={field.value}
            onChange={field.onChange}
            options={[
              ["cm", "cm"],
              ["inch", "feet, inches"],
            ]}
          />
        )}
      />
      {naming && (
        <label className="flex min-h-11 items-center gap-3">
          <input type="checkbox" {...register("keepFilm")} className="size-5 accent-(--ink)" />
          Keep films on this computer. Without them the numbers stay.
        </label>
      )}
      <Button look="main" type="submit" disabled={pending} className="min-h-14 text-[20px]">
        {pending ? "Keeping…" : submit}
      </Button>
      {also && (
        <Button
          disabled={pending}
          className="-mt-4 min-h-14 text-[20px]"
          onClick={handleSubmit((a) => attempt(() => also.action(a)))}
        >
          {also.submit}
        </Button>
      )}
    </form>
  );
}
