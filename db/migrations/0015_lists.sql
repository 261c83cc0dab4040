DROP INDEX "link_of_group";--> statement-breakpoint
DROP INDEX "run_of_person";--> statement-breakpoint
CREATE INDEX "check_in_unseen_pain" ON "check_in" USING btree ("club_id") WHERE pain and seen_at is null;--> statement-breakpoint
CREATE INDEX "check_in_arrived" ON "check_in" USING btree ("club_id","arrived_at");--> statement-breakpoint
CREATE INDEX "check_in_pain" ON "check_in" USING btree ("club_id","run_id") WHERE pain;--> statement-breakpoint
CREATE INDEX "run_folded" ON "run" USING btree ("club_id","link_id") WHERE folded;--> statement-breakpoint
CREATE INDEX "link_of_group" ON "link" USING btree ("club_id","group_id","created_at");--> statement-breakpoint
CREATE INDEX "run_of_person" ON "run" USING btree ("club_id","person_id","started_at");