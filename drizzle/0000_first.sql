CREATE TABLE "bout" (
	"id" text PRIMARY KEY NOT NULL,
	"session_id" text NOT NULL,
	"drill_version_id" text,
	"stage_id" text,
	"started_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "clip" (
	"sha256" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"bytes" double precision NOT NULL,
	"kept" boolean NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "drill_version" (
	"id" text PRIMARY KEY NOT NULL,
	"drill_id" text NOT NULL,
	"version" integer NOT NULL,
	"definition" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "event" (
	"rep_id" text NOT NULL,
	"name" text NOT NULL,
	"foot" text DEFAULT '' NOT NULL,
	"t" double precision NOT NULL,
	"u" double precision NOT NULL,
	"by" text DEFAULT 'computed' NOT NULL,
	CONSTRAINT "event_rep_id_name_foot_t_by_pk" PRIMARY KEY("rep_id","name","foot","t","by")
);
--> statement-breakpoint
CREATE TABLE "golfer" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"hand" text NOT NULL,
	"stature_cm" double precision NOT NULL,
	"units" text NOT NULL,
	"keep_film" boolean DEFAULT true NOT NULL,
	"sample" boolean DEFAULT false NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "measure" (
	"rep_id" text NOT NULL,
	"measure_id" text NOT NULL,
	"value" double precision,
	"u" double precision,
	"unit" text NOT NULL,
	"state" text NOT NULL,
	"reason" text,
	"at" double precision,
	CONSTRAINT "measure_rep_id_measure_id_pk" PRIMARY KEY("rep_id","measure_id")
);
--> statement-breakpoint
CREATE TABLE "rep" (
	"id" text PRIMARY KEY NOT NULL,
	"bout_id" text NOT NULL,
	"clip_sha256" text NOT NULL,
	"track_sha256" text NOT NULL,
	"index" integer NOT NULL,
	"kind" text NOT NULL,
	"from_ms" double precision NOT NULL,
	"to_ms" double precision NOT NULL,
	"hand" text NOT NULL,
	"stature_cm" double precision NOT NULL,
	"capture_fps" double precision,
	"algorithm" text NOT NULL,
	"problems" jsonb NOT NULL,
	"series" jsonb,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "session" (
	"id" text PRIMARY KEY NOT NULL,
	"golfer_id" text NOT NULL,
	"started_at" timestamp with time zone NOT NULL,
	"place" text
);
--> statement-breakpoint
CREATE TABLE "verdict" (
	"rep_id" text NOT NULL,
	"by" text DEFAULT 'computed' NOT NULL,
	"result" text NOT NULL,
	"reason_code" text,
	"reason_message" text,
	"cue_id" text,
	"cue_words" text,
	"actions" jsonb NOT NULL,
	"checks" jsonb NOT NULL,
	CONSTRAINT "verdict_rep_id_by_pk" PRIMARY KEY("rep_id","by")
);
--> statement-breakpoint
ALTER TABLE "bout" ADD CONSTRAINT "bout_session_id_session_id_fk" FOREIGN KEY ("session_id") REFERENCES "public"."session"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bout" ADD CONSTRAINT "bout_drill_version_id_drill_version_id_fk" FOREIGN KEY ("drill_version_id") REFERENCES "public"."drill_version"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "event" ADD CONSTRAINT "event_rep_id_rep_id_fk" FOREIGN KEY ("rep_id") REFERENCES "public"."rep"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "measure" ADD CONSTRAINT "measure_rep_id_rep_id_fk" FOREIGN KEY ("rep_id") REFERENCES "public"."rep"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rep" ADD CONSTRAINT "rep_bout_id_bout_id_fk" FOREIGN KEY ("bout_id") REFERENCES "public"."bout"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rep" ADD CONSTRAINT "rep_clip_sha256_clip_sha256_fk" FOREIGN KEY ("clip_sha256") REFERENCES "public"."clip"("sha256") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "session" ADD CONSTRAINT "session_golfer_id_golfer_id_fk" FOREIGN KEY ("golfer_id") REFERENCES "public"."golfer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "verdict" ADD CONSTRAINT "verdict_rep_id_rep_id_fk" FOREIGN KEY ("rep_id") REFERENCES "public"."rep"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "bout_session" ON "bout" USING btree ("session_id","started_at");--> statement-breakpoint
CREATE UNIQUE INDEX "drill_version_of" ON "drill_version" USING btree ("drill_id","version");--> statement-breakpoint
CREATE INDEX "measure_values" ON "measure" USING btree ("measure_id","rep_id");--> statement-breakpoint
CREATE INDEX "rep_bout" ON "rep" USING btree ("bout_id","created_at");--> statement-breakpoint
CREATE UNIQUE INDEX "rep_once" ON "rep" USING btree ("bout_id","clip_sha256","index");--> statement-breakpoint
CREATE INDEX "session_golfer" ON "session" USING btree ("golfer_id","started_at");