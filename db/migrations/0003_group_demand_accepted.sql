CREATE TABLE "own_demand" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"owner_id" text NOT NULL,
	"doc" jsonb NOT NULL,
	"name" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "own_demand_owner" UNIQUE("id","owner_id"),
	CONSTRAINT "own_demand_name" CHECK (length("own_demand"."name") between 3 and 80)
);
--> statement-breakpoint
ALTER TABLE "athlete" ADD COLUMN "areas" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "edition" ADD COLUMN "accepted" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "team" ADD COLUMN "setting" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "training_session" ADD COLUMN "team_id" uuid;--> statement-breakpoint
ALTER TABLE "training_session" ADD COLUMN "demand_id" text;--> statement-breakpoint
ALTER TABLE "training_session" ADD COLUMN "accepted" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "training_session" ADD COLUMN "template" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "own_demand" ADD CONSTRAINT "own_demand_owner_id_coach_id_fk" FOREIGN KEY ("owner_id") REFERENCES "public"."coach"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "own_demand_list" ON "own_demand" USING btree ("owner_id","name");--> statement-breakpoint
ALTER TABLE "training_session" ADD CONSTRAINT "training_session_team_id_team_id_fk" FOREIGN KEY ("team_id") REFERENCES "public"."team"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "training_session" ADD CONSTRAINT "training_session_demand" CHECK (length("training_session"."demand_id") <= 80);