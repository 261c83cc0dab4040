CREATE TABLE "live_class" (
	"club_id" uuid NOT NULL,
	"id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"made_by" text,
	"edition_id" uuid NOT NULL,
	"group_id" uuid,
	"fold" integer NOT NULL,
	"last_n" integer DEFAULT 0 NOT NULL,
	"last_from" double precision DEFAULT 0 NOT NULL,
	"wall_code" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"ended_at" timestamp with time zone,
	CONSTRAINT "live_class_pk" PRIMARY KEY("club_id","id")
);
--> statement-breakpoint
CREATE TABLE "live_command" (
	"club_id" uuid NOT NULL,
	"class_id" uuid NOT NULL,
	"n" integer NOT NULL,
	"key" uuid NOT NULL,
	"made_by" text,
	"seen" integer NOT NULL,
	"on" text,
	"from" double precision NOT NULL,
	"apart" boolean DEFAULT false NOT NULL,
	"command" jsonb NOT NULL,
	"arrived_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "live_command_pk" PRIMARY KEY("club_id","class_id","n"),
	CONSTRAINT "live_command_key" UNIQUE("club_id","class_id","key"),
	CONSTRAINT "live_command_on" CHECK (length("live_command"."on") <= 24),
	CONSTRAINT "live_command_size" CHECK (pg_column_size("live_command"."command") <= 200000)
);
--> statement-breakpoint
CREATE TABLE "live_pass" (
	"club_id" uuid NOT NULL,
	"id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"class_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"person_id" uuid,
	"wall_code" integer,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "live_pass_pk" PRIMARY KEY("club_id","id"),
	CONSTRAINT "live_pass_kind" CHECK ("live_pass"."kind" in ('remote', 'wall', 'athlete'))
);
--> statement-breakpoint
ALTER TABLE "entry" DROP CONSTRAINT "entry_kind";--> statement-breakpoint
ALTER TABLE "live_class" ADD CONSTRAINT "live_class_club_id_club_id_fk" FOREIGN KEY ("club_id") REFERENCES "public"."club"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_class" ADD CONSTRAINT "live_class_made_by_coach_id_fk" FOREIGN KEY ("made_by") REFERENCES "public"."coach"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_class" ADD CONSTRAINT "live_class_edition" FOREIGN KEY ("club_id","edition_id") REFERENCES "public"."edition"("club_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_class" ADD CONSTRAINT "live_class_group" FOREIGN KEY ("club_id","group_id") REFERENCES "public"."group"("club_id","id") ON DELETE set null ("group_id") ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_command" ADD CONSTRAINT "live_command_club_id_club_id_fk" FOREIGN KEY ("club_id") REFERENCES "public"."club"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_command" ADD CONSTRAINT "live_command_made_by_coach_id_fk" FOREIGN KEY ("made_by") REFERENCES "public"."coach"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_command" ADD CONSTRAINT "live_command_class" FOREIGN KEY ("club_id","class_id") REFERENCES "public"."live_class"("club_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_pass" ADD CONSTRAINT "live_pass_club_id_club_id_fk" FOREIGN KEY ("club_id") REFERENCES "public"."club"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_pass" ADD CONSTRAINT "live_pass_class" FOREIGN KEY ("club_id","class_id") REFERENCES "public"."live_class"("club_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_pass" ADD CONSTRAINT "live_pass_person" FOREIGN KEY ("club_id","person_id") REFERENCES "public"."person"("club_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "live_class_of_edition" ON "live_class" USING btree ("club_id","edition_id");--> statement-breakpoint
CREATE INDEX "live_class_of_group" ON "live_class" USING btree ("club_id","group_id","created_at");--> statement-breakpoint
CREATE INDEX "live_class_open" ON "live_class" USING btree ("club_id","created_at") WHERE ended_at is null;--> statement-breakpoint
CREATE INDEX "live_class_to_end" ON "live_class" USING btree ("created_at") WHERE ended_at is null;--> statement-breakpoint
CREATE INDEX "live_pass_of_class" ON "live_pass" USING btree ("club_id","class_id");--> statement-breakpoint
CREATE INDEX "live_pass_of_person" ON "live_pass" USING btree ("club_id","person_id");--> statement-breakpoint
ALTER TABLE "entry" ADD CONSTRAINT "entry_kind" CHECK ("entry"."kind" in ('link', 'invitation', 'wall', 'pass'));