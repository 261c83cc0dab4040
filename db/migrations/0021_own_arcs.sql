CREATE TABLE "own_arc" (
	"club_id" uuid NOT NULL,
	"purpose" text NOT NULL,
	"doc" jsonb NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "own_arc_pk" PRIMARY KEY("club_id","purpose")
);
--> statement-breakpoint
ALTER TABLE "own_arc" ADD CONSTRAINT "own_arc_club_id_club_id_fk" FOREIGN KEY ("club_id") REFERENCES "public"."club"("id") ON DELETE cascade ON UPDATE no action;