CREATE INDEX "rep_clip" ON "rep" USING btree ("clip_sha256");--> statement-breakpoint
CREATE INDEX "rep_track" ON "rep" USING btree ("track_sha256");