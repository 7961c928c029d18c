ALTER TABLE "bout" ADD COLUMN "words" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "bout" ADD COLUMN "results" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "bout_measure" ADD COLUMN "golfer_id" text;--> statement-breakpoint
ALTER TABLE "bout_measure" ADD COLUMN "drill_id" text;--> statement-breakpoint
ALTER TABLE "bout_measure" ADD COLUMN "stage_id" text;--> statement-breakpoint
ALTER TABLE "bout_measure" ADD COLUMN "day" text;--> statement-breakpoint
-- As the bouts and their sessions that are there have them.
UPDATE "bout" SET "words" = lower(concat_ws(' ', "bout"."note", "bout"."club", "bout"."ball", "bout"."tags"::text, s."place", s."weather", s."note")) FROM "session" s WHERE s."id" = "bout"."session_id";--> statement-breakpoint
UPDATE "bout" SET "results" = c.results FROM (
	SELECT r."bout_id", string_agg(CASE coalesce(o."result", v."result") WHEN 'pass' THEN 'p' WHEN 'fail' THEN 'f' WHEN 'not judged' THEN 'n' ELSE 'm' END, '' ORDER BY r."created_at", r."index") AS results
	FROM "rep" r LEFT JOIN "verdict" v ON v."rep_id" = r."id" AND v."by" = 'computed' LEFT JOIN "verdict" o ON o."rep_id" = r."id" AND o."by" = 'golfer' WHERE r."removed_at" IS NULL GROUP BY r."bout_id"
) c WHERE c."bout_id" = "bout"."id" AND NOT "bout"."by_hand";--> statement-breakpoint
UPDATE "bout_measure" SET "golfer_id" = b."golfer_id", "drill_id" = b."drill_id", "stage_id" = b."stage_id", "day" = b."day" FROM "bout" b WHERE b."id" = "bout_measure"."bout_id";--> statement-breakpoint
ALTER TABLE "bout_measure" ALTER COLUMN "golfer_id" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "bout_measure" ALTER COLUMN "day" SET NOT NULL;--> statement-breakpoint
CREATE INDEX "bout_stage" ON "bout" USING btree ("golfer_id","drill_id","stage_id","started_at");--> statement-breakpoint
CREATE INDEX "bout_measure_trend" ON "bout_measure" USING btree ("golfer_id","drill_id","stage_id","measure_id","day");
--> statement-breakpoint
CREATE INDEX "bout_unjudged" ON "bout" USING btree ("golfer_id","drill_id") WHERE "bout"."by_hand" or "bout"."passed" + "bout"."failed" = 0
