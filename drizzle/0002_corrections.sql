CREATE TABLE "correction" (
	"id" text PRIMARY KEY NOT NULL,
	"rep_id" text NOT NULL,
	"place" integer NOT NULL,
	"what" jsonb NOT NULL,
	"algorithm" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"undone_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "correction" ADD CONSTRAINT "correction_rep_id_rep_id_fk" FOREIGN KEY ("rep_id") REFERENCES "public"."rep"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "correction_rep" ON "correction" USING btree ("rep_id","place");