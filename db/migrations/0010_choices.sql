ALTER TABLE "edition" ADD COLUMN "choices" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "training_session" ADD COLUMN "choices" jsonb DEFAULT '[]'::jsonb NOT NULL;