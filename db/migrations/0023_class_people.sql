CREATE TABLE "live_here" (
	"club_id" uuid NOT NULL,
	"class_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"here" boolean NOT NULL,
	CONSTRAINT "live_here_pk" PRIMARY KEY("club_id","class_id","person_id")
);
--> statement-breakpoint
CREATE TABLE "live_version" (
	"club_id" uuid NOT NULL,
	"class_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"of" text NOT NULL,
	"doc" jsonb NOT NULL,
	CONSTRAINT "live_version_pk" PRIMARY KEY("club_id","class_id","person_id")
);
--> statement-breakpoint
ALTER TABLE "run" ADD COLUMN "class_id" uuid;--> statement-breakpoint
ALTER TABLE "live_class" ADD COLUMN "others" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "live_class" ADD COLUMN "closed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "live_class" ADD COLUMN "choices" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "live_class" ADD COLUMN "paces" jsonb;--> statement-breakpoint
ALTER TABLE "live_pass" ADD COLUMN "made_by" text;--> statement-breakpoint
ALTER TABLE "live_here" ADD CONSTRAINT "live_here_club_id_club_id_fk" FOREIGN KEY ("club_id") REFERENCES "public"."club"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_here" ADD CONSTRAINT "live_here_class" FOREIGN KEY ("club_id","class_id") REFERENCES "public"."live_class"("club_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_here" ADD CONSTRAINT "live_here_person" FOREIGN KEY ("club_id","person_id") REFERENCES "public"."person"("club_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_version" ADD CONSTRAINT "live_version_club_id_club_id_fk" FOREIGN KEY ("club_id") REFERENCES "public"."club"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_version" ADD CONSTRAINT "live_version_class" FOREIGN KEY ("club_id","class_id") REFERENCES "public"."live_class"("club_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_version" ADD CONSTRAINT "live_version_person" FOREIGN KEY ("club_id","person_id") REFERENCES "public"."person"("club_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "live_here_of_person" ON "live_here" USING btree ("club_id","person_id");--> statement-breakpoint
CREATE INDEX "live_version_of_person" ON "live_version" USING btree ("club_id","person_id");--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_class" FOREIGN KEY ("club_id","class_id") REFERENCES "public"."live_class"("club_id","id") ON DELETE set null ("class_id") ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_pass" ADD CONSTRAINT "live_pass_made_by_coach_id_fk" FOREIGN KEY ("made_by") REFERENCES "public"."coach"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "run_of_class" ON "run" USING btree ("club_id","class_id") WHERE class_id is not null;--> statement-breakpoint
CREATE INDEX "live_class_to_close" ON "live_class" USING btree ("ended_at") WHERE closed_at is null;--> statement-breakpoint
ALTER TABLE "live_class" ADD CONSTRAINT "live_class_others" CHECK ("live_class"."others" between 0 and 200);