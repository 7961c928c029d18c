CREATE TABLE "insoles" (
	"rep_id" text PRIMARY KEY NOT NULL,
	"file_name" text NOT NULL,
	"offset_ms" double precision NOT NULL,
	"r" double precision NOT NULL,
	"rows" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "insoles" ADD CONSTRAINT "insoles_rep_id_rep_id_fk" FOREIGN KEY ("rep_id") REFERENCES "public"."rep"("id") ON DELETE cascade ON UPDATE no action;