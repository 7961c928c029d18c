CREATE TABLE "own_drill" (
	"id" text PRIMARY KEY NOT NULL,
	"golfer_id" text NOT NULL,
	"based_on" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"removed_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "drill_version" ADD COLUMN "created_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "golfer" ADD COLUMN "arm_span_cm" double precision;--> statement-breakpoint
ALTER TABLE "golfer" ADD COLUMN "stance" text;--> statement-breakpoint
ALTER TABLE "golfer" ADD COLUMN "styles" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "golfer" ADD COLUMN "cautions_read" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "own_drill" ADD CONSTRAINT "own_drill_golfer_id_golfer_id_fk" FOREIGN KEY ("golfer_id") REFERENCES "public"."golfer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "own_drill_golfer" ON "own_drill" USING btree ("golfer_id");