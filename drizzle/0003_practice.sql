CREATE TABLE "bout_measure" (
	"bout_id" text NOT NULL,
	"measure_id" text NOT NULL,
	"n" integer NOT NULL,
	"low" double precision NOT NULL,
	"middle" double precision NOT NULL,
	"high" double precision NOT NULL,
	"u" double precision NOT NULL,
	CONSTRAINT "bout_measure_bout_id_measure_id_pk" PRIMARY KEY("bout_id","measure_id")
);
--> statement-breakpoint
CREATE TABLE "plan" (
	"golfer_id" text NOT NULL,
	"monday" text NOT NULL,
	"bouts" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "plan_golfer_id_monday_pk" PRIMARY KEY("golfer_id","monday")
);
--> statement-breakpoint
ALTER TABLE "bout" ADD COLUMN "golfer_id" text;--> statement-breakpoint
ALTER TABLE "bout" ADD COLUMN "drill_id" text;--> statement-breakpoint
ALTER TABLE "bout" ADD COLUMN "day" text;--> statement-breakpoint
ALTER TABLE "bout" ADD COLUMN "club" text;--> statement-breakpoint
ALTER TABLE "bout" ADD COLUMN "ball" text;--> statement-breakpoint
ALTER TABLE "bout" ADD COLUMN "note" text;--> statement-breakpoint
ALTER TABLE "bout" ADD COLUMN "tags" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "bout" ADD COLUMN "felt_share" double precision;--> statement-breakpoint
ALTER TABLE "bout" ADD COLUMN "flight" jsonb;--> statement-breakpoint
ALTER TABLE "bout" ADD COLUMN "touched" integer;--> statement-breakpoint
ALTER TABLE "bout" ADD COLUMN "by_hand" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "bout" ADD COLUMN "done" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "bout" ADD COLUMN "passed" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "bout" ADD COLUMN "failed" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "bout" ADD COLUMN "not_judged" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "bout" ADD COLUMN "removed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "golfer" ADD COLUMN "goals" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "golfer" ADD COLUMN "lacks" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "golfer" ADD COLUMN "week" jsonb;--> statement-breakpoint
ALTER TABLE "golfer" ADD COLUMN "sore" jsonb;--> statement-breakpoint
ALTER TABLE "rep" ADD COLUMN "removed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "session" ADD COLUMN "weather" text;--> statement-breakpoint
ALTER TABLE "session" ADD COLUMN "note" text;--> statement-breakpoint
-- What stood in sessions and drill versions, and the figures of the reps that are there.
UPDATE "bout" SET "golfer_id" = s."golfer_id" FROM "session" s WHERE s."id" = "bout"."session_id";--> statement-breakpoint
UPDATE "bout" SET "drill_id" = v."drill_id" FROM "drill_version" v WHERE v."id" = "bout"."drill_version_id";--> statement-breakpoint
UPDATE "bout" SET "day" = to_char("started_at", 'YYYY-MM-DD');--> statement-breakpoint
ALTER TABLE "bout" ALTER COLUMN "golfer_id" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "bout" ALTER COLUMN "day" SET NOT NULL;--> statement-breakpoint
UPDATE "bout" SET "done" = c.done, "passed" = c.passed, "failed" = c.failed, "not_judged" = c.not_judged FROM (
	SELECT r."bout_id", count(r."id")::int AS done, (count(*) FILTER (WHERE coalesce(o."result", v."result") = 'pass'))::int AS passed, (count(*) FILTER (WHERE coalesce(o."result", v."result") = 'fail'))::int AS failed, (count(*) FILTER (WHERE coalesce(o."result", v."result") = 'not judged'))::int AS not_judged
	FROM "rep" r LEFT JOIN "verdict" v ON v."rep_id" = r."id" AND v."by" = 'computed' LEFT JOIN "verdict" o ON o."rep_id" = r."id" AND o."by" = 'golfer' GROUP BY r."bout_id"
) c WHERE c."bout_id" = "bout"."id";--> statement-breakpoint
INSERT INTO "bout_measure" SELECT r."bout_id", m."measure_id", count(*)::int, percentile_cont(0.25) WITHIN GROUP (ORDER BY m."value"), percentile_cont(0.5) WITHIN GROUP (ORDER BY m."value"), percentile_cont(0.75) WITHIN GROUP (ORDER BY m."value"), percentile_cont(0.5) WITHIN GROUP (ORDER BY m."u") FROM "measure" m JOIN "rep" r ON r."id" = m."rep_id" WHERE m."state" = 'measured' AND m."value" IS NOT NULL AND m."u" IS NOT NULL GROUP BY r."bout_id", m."measure_id";--> statement-breakpoint
ALTER TABLE "bout_measure" ADD CONSTRAINT "bout_measure_bout_id_bout_id_fk" FOREIGN KEY ("bout_id") REFERENCES "public"."bout"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan" ADD CONSTRAINT "plan_golfer_id_golfer_id_fk" FOREIGN KEY ("golfer_id") REFERENCES "public"."golfer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bout" ADD CONSTRAINT "bout_golfer_id_golfer_id_fk" FOREIGN KEY ("golfer_id") REFERENCES "public"."golfer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "bout_log" ON "bout" USING btree ("golfer_id","started_at");--> statement-breakpoint
CREATE INDEX "bout_drill" ON "bout" USING btree ("golfer_id","drill_id","day");