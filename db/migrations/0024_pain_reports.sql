CREATE TABLE "pain_report" (
	"club_id" uuid NOT NULL,
	"run_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"place" jsonb,
	"where" text,
	"said_at" timestamp with time zone DEFAULT now() NOT NULL,
	"device_at" timestamp with time zone,
	"arrived_at" timestamp with time zone DEFAULT now() NOT NULL,
	"noticed_at" timestamp with time zone,
	"noticed_by" text,
	"seen_at" timestamp with time zone,
	"seen_by" text,
	CONSTRAINT "pain_report_pk" PRIMARY KEY("club_id","run_id","id"),
	CONSTRAINT "pain_report_where" CHECK (length("pain_report"."where") <= 120)
);
--> statement-breakpoint
ALTER TABLE "check_in" DROP CONSTRAINT "check_in_pain_where";--> statement-breakpoint
ALTER TABLE "pain_report" ADD CONSTRAINT "pain_report_club_id_club_id_fk" FOREIGN KEY ("club_id") REFERENCES "public"."club"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pain_report" ADD CONSTRAINT "pain_report_noticed_by_coach_id_fk" FOREIGN KEY ("noticed_by") REFERENCES "public"."coach"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pain_report" ADD CONSTRAINT "pain_report_seen_by_coach_id_fk" FOREIGN KEY ("seen_by") REFERENCES "public"."coach"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pain_report" ADD CONSTRAINT "pain_report_check_in" FOREIGN KEY ("club_id","run_id") REFERENCES "public"."check_in"("club_id","run_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "pain_report_arrived" ON "pain_report" USING btree ("club_id","arrived_at");--> statement-breakpoint
-- What was told of pain before, one for each check-in, becomes a report of its own.
INSERT INTO "pain_report" ("club_id", "run_id", "id", "place", "where", "said_at", "device_at", "arrived_at", "seen_at")
SELECT "club_id", "run_id", "run_id", "pain_at", "pain_where", "sent_at", "device_at", "arrived_at", "seen_at" FROM "check_in" WHERE "pain";--> statement-breakpoint
ALTER TABLE "check_in" DROP COLUMN "pain_where";--> statement-breakpoint
ALTER TABLE "check_in" DROP COLUMN "pain_at";