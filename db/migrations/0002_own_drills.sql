CREATE TABLE "own_drill" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"owner_id" text NOT NULL,
	"name" text NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"archived_at" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "own_drill_owner" UNIQUE("id","owner_id"),
	CONSTRAINT "own_drill_name" CHECK (length("own_drill"."name") between 3 and 80)
);
--> statement-breakpoint
CREATE TABLE "own_drill_revision" (
	"drill_id" uuid NOT NULL,
	"number" integer NOT NULL,
	"owner_id" text NOT NULL,
	"doc" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "own_drill_revision_pk" PRIMARY KEY("drill_id","number"),
	CONSTRAINT "own_drill_revision_number" CHECK ("own_drill_revision"."number" >= 1)
);
--> statement-breakpoint
ALTER TABLE "own_drill" ADD CONSTRAINT "own_drill_owner_id_coach_id_fk" FOREIGN KEY ("owner_id") REFERENCES "public"."coach"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "own_drill_revision" ADD CONSTRAINT "own_drill_revision_owner_id_coach_id_fk" FOREIGN KEY ("owner_id") REFERENCES "public"."coach"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "own_drill_revision" ADD CONSTRAINT "own_drill_revision_drill" FOREIGN KEY ("drill_id","owner_id") REFERENCES "public"."own_drill"("id","owner_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "own_drill_list" ON "own_drill" USING btree ("owner_id","updated_at");--> statement-breakpoint
CREATE INDEX "own_drill_revision_owner" ON "own_drill_revision" USING btree ("owner_id");--> statement-breakpoint
-- Sessions and editions lean on a revision staying as it was.
CREATE FUNCTION refuse_revision_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'a revision of a drill never changes';
END
$$;
--> statement-breakpoint
CREATE TRIGGER own_drill_revision_never_changes BEFORE UPDATE ON "own_drill_revision" FOR EACH ROW EXECUTE FUNCTION refuse_revision_change();
