CREATE TABLE "edition_drill" (
	"club_id" uuid NOT NULL,
	"edition_id" uuid NOT NULL,
	"drill" text NOT NULL,
	CONSTRAINT "edition_drill_pk" PRIMARY KEY("club_id","edition_id","drill")
);
--> statement-breakpoint
ALTER TABLE "training_session" ADD COLUMN "summary" jsonb;--> statement-breakpoint
ALTER TABLE "training_session" ADD COLUMN "summary_of" integer;--> statement-breakpoint
ALTER TABLE "edition_drill" ADD CONSTRAINT "edition_drill_club_id_club_id_fk" FOREIGN KEY ("club_id") REFERENCES "public"."club"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "edition_drill" ADD CONSTRAINT "edition_drill_edition" FOREIGN KEY ("club_id","edition_id") REFERENCES "public"."edition"("club_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
INSERT INTO "edition_drill" SELECT DISTINCT e."club_id", e."id", drill #>> '{}' FROM "edition" e, jsonb_path_query(e."doc", 'lax $.session.blocks[*].items[*].drill ? (@.type() == "string")') AS drill;--> statement-breakpoint
CREATE INDEX "edition_drill_of" ON "edition_drill" USING btree ("club_id","drill");
