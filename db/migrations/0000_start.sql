CREATE TABLE "about" (
	"key" text PRIMARY KEY NOT NULL,
	"value" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "athlete" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"owner_id" text NOT NULL,
	"team_id" uuid NOT NULL,
	"name" text NOT NULL,
	"archived_at" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "athlete_owner" UNIQUE("id","owner_id"),
	CONSTRAINT "athlete_name" CHECK (length("athlete"."name") between 1 and 40)
);
--> statement-breakpoint
CREATE TABLE "check_in" (
	"run_id" uuid PRIMARY KEY NOT NULL,
	"owner_id" text NOT NULL,
	"hard" smallint,
	"tightness" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"pain" boolean NOT NULL,
	"pain_where" text,
	"note" text,
	"sent_at" timestamp with time zone DEFAULT now() NOT NULL,
	"seen_at" timestamp with time zone,
	CONSTRAINT "check_in_hard" CHECK ("check_in"."hard" between 0 and 10),
	CONSTRAINT "check_in_note" CHECK (length("check_in"."note") <= 500),
	CONSTRAINT "check_in_pain_where" CHECK (length("check_in"."pain_where") <= 120)
);
--> statement-breakpoint
CREATE TABLE "coach" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"email" text NOT NULL,
	"email_verified" boolean DEFAULT false NOT NULL,
	"image" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "coach_email_unique" UNIQUE("email")
);
--> statement-breakpoint
CREATE TABLE "credential" (
	"id" text PRIMARY KEY NOT NULL,
	"account_id" text NOT NULL,
	"provider_id" text NOT NULL,
	"coach_id" text NOT NULL,
	"access_token" text,
	"refresh_token" text,
	"id_token" text,
	"access_token_expires_at" timestamp with time zone,
	"refresh_token_expires_at" timestamp with time zone,
	"scope" text,
	"password" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "edition" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"owner_id" text NOT NULL,
	"session_id" uuid NOT NULL,
	"number" integer NOT NULL,
	"doc" jsonb NOT NULL,
	"total_seconds" double precision NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "edition_number" UNIQUE("session_id","number"),
	CONSTRAINT "edition_owner" UNIQUE("id","owner_id")
);
--> statement-breakpoint
CREATE TABLE "link" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"owner_id" text NOT NULL,
	"edition_id" uuid NOT NULL,
	"team_id" uuid,
	"token_hash" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"withdrawn_at" timestamp with time zone,
	"openings" integer DEFAULT 0 NOT NULL,
	"opened_at" timestamp with time zone,
	CONSTRAINT "link_token_hash_unique" UNIQUE("token_hash"),
	CONSTRAINT "link_owner" UNIQUE("id","owner_id")
);
--> statement-breakpoint
CREATE TABLE "run" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"owner_id" text NOT NULL,
	"link_id" uuid NOT NULL,
	"client_key" uuid NOT NULL,
	"athlete_id" uuid,
	"name" text NOT NULL,
	"started_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"finished_at" timestamp with time zone,
	"share_done" double precision DEFAULT 0 NOT NULL,
	CONSTRAINT "run_client_key" UNIQUE("link_id","client_key"),
	CONSTRAINT "run_owner" UNIQUE("id","owner_id"),
	CONSTRAINT "run_name" CHECK (length("run"."name") between 1 and 40),
	CONSTRAINT "run_share" CHECK ("run"."share_done" between 0 and 1)
);
--> statement-breakpoint
CREATE TABLE "sign_in" (
	"id" text PRIMARY KEY NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"token_hash" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"ip_address" text,
	"user_agent" text,
	"coach_id" text NOT NULL,
	CONSTRAINT "sign_in_token_hash_unique" UNIQUE("token_hash")
);
--> statement-breakpoint
CREATE TABLE "team" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"owner_id" text NOT NULL,
	"name" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "team_owner" UNIQUE("id","owner_id"),
	CONSTRAINT "team_name" CHECK (length("team"."name") between 1 and 80)
);
--> statement-breakpoint
CREATE TABLE "training_session" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"owner_id" text NOT NULL,
	"doc" jsonb NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"title" text NOT NULL,
	"purpose" text NOT NULL,
	"total_seconds" double precision NOT NULL,
	"archived_at" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "training_session_owner" UNIQUE("id","owner_id"),
	CONSTRAINT "training_session_total" CHECK ("training_session"."total_seconds" >= 0)
);
--> statement-breakpoint
CREATE TABLE "verification" (
	"id" text PRIMARY KEY NOT NULL,
	"identifier" text NOT NULL,
	"value" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "athlete" ADD CONSTRAINT "athlete_owner_id_coach_id_fk" FOREIGN KEY ("owner_id") REFERENCES "public"."coach"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "athlete" ADD CONSTRAINT "athlete_team" FOREIGN KEY ("team_id","owner_id") REFERENCES "public"."team"("id","owner_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "check_in" ADD CONSTRAINT "check_in_owner_id_coach_id_fk" FOREIGN KEY ("owner_id") REFERENCES "public"."coach"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "check_in" ADD CONSTRAINT "check_in_run" FOREIGN KEY ("run_id","owner_id") REFERENCES "public"."run"("id","owner_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "credential" ADD CONSTRAINT "credential_coach_id_coach_id_fk" FOREIGN KEY ("coach_id") REFERENCES "public"."coach"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "edition" ADD CONSTRAINT "edition_owner_id_coach_id_fk" FOREIGN KEY ("owner_id") REFERENCES "public"."coach"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "edition" ADD CONSTRAINT "edition_session" FOREIGN KEY ("session_id","owner_id") REFERENCES "public"."training_session"("id","owner_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "link" ADD CONSTRAINT "link_owner_id_coach_id_fk" FOREIGN KEY ("owner_id") REFERENCES "public"."coach"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "link" ADD CONSTRAINT "link_edition" FOREIGN KEY ("edition_id","owner_id") REFERENCES "public"."edition"("id","owner_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "link" ADD CONSTRAINT "link_team" FOREIGN KEY ("team_id") REFERENCES "public"."team"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_owner_id_coach_id_fk" FOREIGN KEY ("owner_id") REFERENCES "public"."coach"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_link" FOREIGN KEY ("link_id","owner_id") REFERENCES "public"."link"("id","owner_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_athlete" FOREIGN KEY ("athlete_id") REFERENCES "public"."athlete"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sign_in" ADD CONSTRAINT "sign_in_coach_id_coach_id_fk" FOREIGN KEY ("coach_id") REFERENCES "public"."coach"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "team" ADD CONSTRAINT "team_owner_id_coach_id_fk" FOREIGN KEY ("owner_id") REFERENCES "public"."coach"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "training_session" ADD CONSTRAINT "training_session_owner_id_coach_id_fk" FOREIGN KEY ("owner_id") REFERENCES "public"."coach"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "credential_coach" ON "credential" USING btree ("coach_id");--> statement-breakpoint
CREATE INDEX "link_by_edition" ON "link" USING btree ("edition_id");--> statement-breakpoint
CREATE INDEX "run_recent" ON "run" USING btree ("owner_id","started_at");--> statement-breakpoint
CREATE INDEX "sign_in_coach" ON "sign_in" USING btree ("coach_id");--> statement-breakpoint
CREATE INDEX "training_session_list" ON "training_session" USING btree ("owner_id","updated_at");