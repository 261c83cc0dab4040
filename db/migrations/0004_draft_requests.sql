CREATE TABLE "draft_request" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"owner_id" text NOT NULL,
	"title" text NOT NULL,
	"doc" jsonb NOT NULL,
	"team_id" uuid,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "draft_request_title" CHECK (length("draft_request"."title") between 1 and 120)
);
--> statement-breakpoint
ALTER TABLE "draft_request" ADD CONSTRAINT "draft_request_owner_id_coach_id_fk" FOREIGN KEY ("owner_id") REFERENCES "public"."coach"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "draft_request" ADD CONSTRAINT "draft_request_team_id_team_id_fk" FOREIGN KEY ("team_id") REFERENCES "public"."team"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "draft_request_list" ON "draft_request" USING btree ("owner_id","updated_at");