DROP INDEX "own_drill_revision_owner";--> statement-breakpoint
ALTER TABLE "own_drill_revision" ADD COLUMN "content_hash" text GENERATED ALWAYS AS (md5((doc - 'id')::text)) STORED;--> statement-breakpoint
CREATE INDEX "own_drill_revision_content" ON "own_drill_revision" USING btree ("owner_id","content_hash");