ALTER TABLE "golfer" ADD COLUMN "body" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "golfer" ADD COLUMN "went_on" jsonb DEFAULT '{}'::jsonb NOT NULL;