CREATE TABLE "invitation" (
	"club_id" uuid NOT NULL,
	"id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"made_by" text,
	"role" text NOT NULL,
	"until" timestamp with time zone NOT NULL,
	"used_by" text,
	"used_at" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "invitation_pk" PRIMARY KEY("club_id","id"),
	CONSTRAINT "invitation_role" CHECK ("invitation"."role" in ('owner', 'coach', 'assistant'))
);
--> statement-breakpoint
ALTER TABLE "entry" DROP CONSTRAINT "entry_kind";--> statement-breakpoint
ALTER TABLE "invitation" ADD CONSTRAINT "invitation_club_id_club_id_fk" FOREIGN KEY ("club_id") REFERENCES "public"."club"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invitation" ADD CONSTRAINT "invitation_made_by_coach_id_fk" FOREIGN KEY ("made_by") REFERENCES "public"."coach"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invitation" ADD CONSTRAINT "invitation_used_by_coach_id_fk" FOREIGN KEY ("used_by") REFERENCES "public"."coach"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "entry" ADD CONSTRAINT "entry_kind" CHECK ("entry"."kind" in ('link', 'invitation'));--> statement-breakpoint
CREATE TRIGGER invitation_drops_entry AFTER DELETE ON "invitation" FOR EACH ROW EXECUTE FUNCTION drop_entry();
