ALTER TABLE "link" ADD COLUMN "uncounted" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "run" ADD COLUMN "folded" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "run" ADD COLUMN "removed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "run" ADD COLUMN "not_theirs" boolean DEFAULT false NOT NULL;--> statement-breakpoint
CREATE INDEX "run_of_link" ON "run" USING btree ("link_id","started_at");