CREATE TABLE "message" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"key" text NOT NULL,
	"kind" text NOT NULL,
	"recipient" text NOT NULL,
	"subject" text NOT NULL,
	"body" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "message_key_unique" UNIQUE("key")
);
--> statement-breakpoint
CREATE INDEX "message_to" ON "message" USING btree ("recipient","created_at");--> statement-breakpoint
CREATE INDEX "verification_of" ON "verification" USING btree ("identifier");
--> statement-breakpoint
-- Accounts of before were made without a letter; whoever has a password is let in as before.
UPDATE "coach" SET "email_verified" = true WHERE "id" IN (SELECT "coach_id" FROM "credential" WHERE "password" IS NOT NULL);
