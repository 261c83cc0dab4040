DROP INDEX "training_session_of_group";--> statement-breakpoint
CREATE INDEX "training_session_of_group" ON "training_session" USING btree ("club_id","group_id","updated_at");