-- Everything belongs to a club now: each coach gets one of their own, as its owner. By hand, since Drizzle can say
-- neither what moves where nor which column of a key is emptied.
CREATE TABLE "club" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "club_name" CHECK (length("club"."name") between 1 and 80)
);
--> statement-breakpoint
CREATE TABLE "member" (
	"club_id" uuid NOT NULL,
	"coach_id" text NOT NULL,
	"role" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "member_pk" PRIMARY KEY("club_id","coach_id"),
	CONSTRAINT "member_role" CHECK ("member"."role" in ('owner', 'coach', 'assistant'))
);
--> statement-breakpoint
CREATE TABLE "entry" (
	"token_hash" text PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"club_id" uuid NOT NULL,
	"target" uuid NOT NULL,
	CONSTRAINT "entry_kind" CHECK ("entry"."kind" in ('link'))
);
--> statement-breakpoint
CREATE TABLE "person" (
	"club_id" uuid NOT NULL,
	"id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"areas" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "person_pk" PRIMARY KEY("club_id","id"),
	CONSTRAINT "person_name" CHECK (length("person"."name") between 1 and 40)
);
--> statement-breakpoint
CREATE TABLE "membership" (
	"club_id" uuid NOT NULL,
	"group_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"from" timestamp with time zone DEFAULT now() NOT NULL,
	"until" timestamp with time zone,
	CONSTRAINT "membership_pk" PRIMARY KEY("club_id","group_id","person_id")
);
--> statement-breakpoint
ALTER TABLE "club" ADD COLUMN "of_coach" text;
--> statement-breakpoint
INSERT INTO "club" ("name", "of_coach", "created_at") SELECT coalesce(nullif(left(trim("name"), 80), ''), 'My club'), "id", "created_at" FROM "coach";
--> statement-breakpoint
INSERT INTO "member" ("club_id", "coach_id", "role", "created_at") SELECT "id", "of_coach", 'owner', "created_at" FROM "club";
--> statement-breakpoint
ALTER TABLE "club" DROP COLUMN "of_coach";
--> statement-breakpoint
DROP TRIGGER edition_never_changes ON "edition";
--> statement-breakpoint
DROP TRIGGER own_drill_revision_never_changes ON "own_drill_revision";
--> statement-breakpoint
-- Keys that do not begin with the club go, those that point to another first.
DO $$
DECLARE one record;
BEGIN
  FOR one IN SELECT c.conname, t.relname FROM pg_constraint c JOIN pg_class t ON t.oid = c.conrelid
    WHERE c.connamespace = 'public'::regnamespace AND c.contype IN ('f', 'p', 'u') AND t.relname IN ('team', 'athlete', 'training_session', 'edition', 'link', 'run', 'check_in', 'own_drill', 'own_drill_revision', 'own_drill_stress', 'own_demand', 'draft_request')
    ORDER BY c.contype = 'f' DESC
  LOOP EXECUTE format('ALTER TABLE %I DROP CONSTRAINT %I', one.relname, one.conname); END LOOP;
END
$$;
--> statement-breakpoint
DROP INDEX "draft_request_list", "link_by_edition", "own_demand_list", "own_drill_list", "own_drill_revision_content", "own_drill_stress_owner", "run_of_link", "run_recent", "training_session_list";
--> statement-breakpoint
ALTER TABLE "team" ADD COLUMN "club_id" uuid;
--> statement-breakpoint
UPDATE "team" SET "club_id" = "member"."club_id" FROM "member" WHERE "member"."coach_id" = "team"."owner_id";
--> statement-breakpoint
ALTER TABLE "team" ALTER COLUMN "club_id" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "athlete" ADD COLUMN "club_id" uuid;
--> statement-breakpoint
UPDATE "athlete" SET "club_id" = "member"."club_id" FROM "member" WHERE "member"."coach_id" = "athlete"."owner_id";
--> statement-breakpoint
ALTER TABLE "athlete" ALTER COLUMN "club_id" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "training_session" ADD COLUMN "club_id" uuid;
--> statement-breakpoint
UPDATE "training_session" SET "club_id" = "member"."club_id" FROM "member" WHERE "member"."coach_id" = "training_session"."owner_id";
--> statement-breakpoint
ALTER TABLE "training_session" ALTER COLUMN "club_id" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "edition" ADD COLUMN "club_id" uuid;
--> statement-breakpoint
UPDATE "edition" SET "club_id" = "member"."club_id" FROM "member" WHERE "member"."coach_id" = "edition"."owner_id";
--> statement-breakpoint
ALTER TABLE "edition" ALTER COLUMN "club_id" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "link" ADD COLUMN "club_id" uuid;
--> statement-breakpoint
UPDATE "link" SET "club_id" = "member"."club_id" FROM "member" WHERE "member"."coach_id" = "link"."owner_id";
--> statement-breakpoint
ALTER TABLE "link" ALTER COLUMN "club_id" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "run" ADD COLUMN "club_id" uuid;
--> statement-breakpoint
UPDATE "run" SET "club_id" = "member"."club_id" FROM "member" WHERE "member"."coach_id" = "run"."owner_id";
--> statement-breakpoint
ALTER TABLE "run" ALTER COLUMN "club_id" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "check_in" ADD COLUMN "club_id" uuid;
--> statement-breakpoint
UPDATE "check_in" SET "club_id" = "member"."club_id" FROM "member" WHERE "member"."coach_id" = "check_in"."owner_id";
--> statement-breakpoint
ALTER TABLE "check_in" ALTER COLUMN "club_id" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "own_drill" ADD COLUMN "club_id" uuid;
--> statement-breakpoint
UPDATE "own_drill" SET "club_id" = "member"."club_id" FROM "member" WHERE "member"."coach_id" = "own_drill"."owner_id";
--> statement-breakpoint
ALTER TABLE "own_drill" ALTER COLUMN "club_id" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "own_drill_revision" ADD COLUMN "club_id" uuid;
--> statement-breakpoint
UPDATE "own_drill_revision" SET "club_id" = "member"."club_id" FROM "member" WHERE "member"."coach_id" = "own_drill_revision"."owner_id";
--> statement-breakpoint
ALTER TABLE "own_drill_revision" ALTER COLUMN "club_id" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "own_drill_stress" ADD COLUMN "club_id" uuid;
--> statement-breakpoint
UPDATE "own_drill_stress" SET "club_id" = "member"."club_id" FROM "member" WHERE "member"."coach_id" = "own_drill_stress"."owner_id";
--> statement-breakpoint
ALTER TABLE "own_drill_stress" ALTER COLUMN "club_id" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "own_demand" ADD COLUMN "club_id" uuid;
--> statement-breakpoint
UPDATE "own_demand" SET "club_id" = "member"."club_id" FROM "member" WHERE "member"."coach_id" = "own_demand"."owner_id";
--> statement-breakpoint
ALTER TABLE "own_demand" ALTER COLUMN "club_id" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "draft_request" ADD COLUMN "club_id" uuid;
--> statement-breakpoint
UPDATE "draft_request" SET "club_id" = "member"."club_id" FROM "member" WHERE "member"."coach_id" = "draft_request"."owner_id";
--> statement-breakpoint
ALTER TABLE "draft_request" ALTER COLUMN "club_id" SET NOT NULL;
--> statement-breakpoint
INSERT INTO "entry" ("token_hash", "kind", "club_id", "target") SELECT "token_hash", 'link', "club_id", "id" FROM "link";
--> statement-breakpoint
INSERT INTO "person" ("club_id", "id", "name", "areas", "created_at") SELECT "club_id", "id", "name", "areas", "created_at" FROM "athlete";
--> statement-breakpoint
INSERT INTO "membership" ("club_id", "group_id", "person_id", "from", "until") SELECT "club_id", "team_id", "id", "created_at", "archived_at" FROM "athlete";
--> statement-breakpoint
DROP TABLE "athlete";
--> statement-breakpoint
ALTER TABLE "team" RENAME TO "group";
--> statement-breakpoint
ALTER TABLE "group" RENAME CONSTRAINT "team_name" TO "group_name";
--> statement-breakpoint
ALTER TABLE "own_demand" RENAME TO "sport_profile";
--> statement-breakpoint
ALTER TABLE "sport_profile" RENAME CONSTRAINT "own_demand_name" TO "sport_profile_name";
--> statement-breakpoint
ALTER TABLE "training_session" RENAME COLUMN "team_id" TO "group_id";
--> statement-breakpoint
ALTER TABLE "link" RENAME COLUMN "team_id" TO "group_id";
--> statement-breakpoint
ALTER TABLE "draft_request" RENAME COLUMN "team_id" TO "group_id";
--> statement-breakpoint
ALTER TABLE "run" RENAME COLUMN "athlete_id" TO "person_id";
--> statement-breakpoint
ALTER TABLE "check_in" RENAME COLUMN "hard" TO "effort";
--> statement-breakpoint
ALTER TABLE "check_in" RENAME CONSTRAINT "check_in_hard" TO "check_in_effort";
--> statement-breakpoint
ALTER TABLE "link" DROP COLUMN "token_hash";
--> statement-breakpoint
-- Nothing points into another club.
UPDATE "training_session" SET "group_id" = NULL WHERE "group_id" IS NOT NULL AND NOT EXISTS (SELECT 1 FROM "group" g WHERE g."club_id" = "training_session"."club_id" AND g."id" = "training_session"."group_id");
--> statement-breakpoint
UPDATE "link" SET "group_id" = NULL WHERE "group_id" IS NOT NULL AND NOT EXISTS (SELECT 1 FROM "group" g WHERE g."club_id" = "link"."club_id" AND g."id" = "link"."group_id");
--> statement-breakpoint
UPDATE "draft_request" SET "group_id" = NULL WHERE "group_id" IS NOT NULL AND NOT EXISTS (SELECT 1 FROM "group" g WHERE g."club_id" = "draft_request"."club_id" AND g."id" = "draft_request"."group_id");
--> statement-breakpoint
UPDATE "run" SET "person_id" = NULL WHERE "person_id" IS NOT NULL AND NOT EXISTS (SELECT 1 FROM "person" p WHERE p."club_id" = "run"."club_id" AND p."id" = "run"."person_id");
--> statement-breakpoint
-- Whose it was is who made it; a run, a check-in and what a drill stresses are made by nobody with an account.
--> statement-breakpoint
ALTER TABLE "group" RENAME COLUMN "owner_id" TO "made_by";
--> statement-breakpoint
ALTER TABLE "group" ALTER COLUMN "made_by" DROP NOT NULL;
--> statement-breakpoint
ALTER TABLE "training_session" RENAME COLUMN "owner_id" TO "made_by";
--> statement-breakpoint
ALTER TABLE "training_session" ALTER COLUMN "made_by" DROP NOT NULL;
--> statement-breakpoint
ALTER TABLE "edition" RENAME COLUMN "owner_id" TO "made_by";
--> statement-breakpoint
ALTER TABLE "edition" ALTER COLUMN "made_by" DROP NOT NULL;
--> statement-breakpoint
ALTER TABLE "link" RENAME COLUMN "owner_id" TO "made_by";
--> statement-breakpoint
ALTER TABLE "link" ALTER COLUMN "made_by" DROP NOT NULL;
--> statement-breakpoint
ALTER TABLE "own_drill" RENAME COLUMN "owner_id" TO "made_by";
--> statement-breakpoint
ALTER TABLE "own_drill" ALTER COLUMN "made_by" DROP NOT NULL;
--> statement-breakpoint
ALTER TABLE "own_drill_revision" RENAME COLUMN "owner_id" TO "made_by";
--> statement-breakpoint
ALTER TABLE "own_drill_revision" ALTER COLUMN "made_by" DROP NOT NULL;
--> statement-breakpoint
ALTER TABLE "sport_profile" RENAME COLUMN "owner_id" TO "made_by";
--> statement-breakpoint
ALTER TABLE "sport_profile" ALTER COLUMN "made_by" DROP NOT NULL;
--> statement-breakpoint
ALTER TABLE "draft_request" RENAME COLUMN "owner_id" TO "made_by";
--> statement-breakpoint
ALTER TABLE "draft_request" ALTER COLUMN "made_by" DROP NOT NULL;
--> statement-breakpoint
ALTER TABLE "run" DROP COLUMN "owner_id";
--> statement-breakpoint
ALTER TABLE "check_in" DROP COLUMN "owner_id";
--> statement-breakpoint
ALTER TABLE "own_drill_stress" DROP COLUMN "owner_id";
--> statement-breakpoint
ALTER TABLE "group" ADD CONSTRAINT "group_pk" PRIMARY KEY ("club_id", "id");
--> statement-breakpoint
ALTER TABLE "training_session" ADD CONSTRAINT "training_session_pk" PRIMARY KEY ("club_id", "id");
--> statement-breakpoint
ALTER TABLE "edition" ADD CONSTRAINT "edition_pk" PRIMARY KEY ("club_id", "id");
--> statement-breakpoint
ALTER TABLE "link" ADD CONSTRAINT "link_pk" PRIMARY KEY ("club_id", "id");
--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_pk" PRIMARY KEY ("club_id", "id");
--> statement-breakpoint
ALTER TABLE "own_drill" ADD CONSTRAINT "own_drill_pk" PRIMARY KEY ("club_id", "id");
--> statement-breakpoint
ALTER TABLE "sport_profile" ADD CONSTRAINT "sport_profile_pk" PRIMARY KEY ("club_id", "id");
--> statement-breakpoint
ALTER TABLE "draft_request" ADD CONSTRAINT "draft_request_pk" PRIMARY KEY ("club_id", "id");
--> statement-breakpoint
ALTER TABLE "check_in" ADD CONSTRAINT "check_in_pk" PRIMARY KEY ("club_id", "run_id");
--> statement-breakpoint
ALTER TABLE "own_drill_revision" ADD CONSTRAINT "own_drill_revision_pk" PRIMARY KEY ("club_id", "drill_id", "number");
--> statement-breakpoint
ALTER TABLE "own_drill_stress" ADD CONSTRAINT "own_drill_stress_pk" PRIMARY KEY ("club_id", "drill_id", "number");
--> statement-breakpoint
ALTER TABLE "edition" ADD CONSTRAINT "edition_number" UNIQUE ("club_id", "session_id", "number");
--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_client_key" UNIQUE ("club_id", "link_id", "client_key");
--> statement-breakpoint
ALTER TABLE "entry" ADD CONSTRAINT "entry_club_id_club_id_fk" FOREIGN KEY ("club_id") REFERENCES "public"."club"("id") ON DELETE cascade;
--> statement-breakpoint
ALTER TABLE "group" ADD CONSTRAINT "group_club_id_club_id_fk" FOREIGN KEY ("club_id") REFERENCES "public"."club"("id") ON DELETE cascade;
--> statement-breakpoint
ALTER TABLE "group" ADD CONSTRAINT "group_made_by_coach_id_fk" FOREIGN KEY ("made_by") REFERENCES "public"."coach"("id") ON DELETE set null;
--> statement-breakpoint
ALTER TABLE "member" ADD CONSTRAINT "member_club_id_club_id_fk" FOREIGN KEY ("club_id") REFERENCES "public"."club"("id") ON DELETE cascade;
--> statement-breakpoint
ALTER TABLE "member" ADD CONSTRAINT "member_coach_id_coach_id_fk" FOREIGN KEY ("coach_id") REFERENCES "public"."coach"("id") ON DELETE cascade;
--> statement-breakpoint
ALTER TABLE "membership" ADD CONSTRAINT "membership_club_id_club_id_fk" FOREIGN KEY ("club_id") REFERENCES "public"."club"("id") ON DELETE cascade;
--> statement-breakpoint
ALTER TABLE "membership" ADD CONSTRAINT "membership_group" FOREIGN KEY ("club_id","group_id") REFERENCES "public"."group"("club_id","id") ON DELETE cascade;
--> statement-breakpoint
ALTER TABLE "membership" ADD CONSTRAINT "membership_person" FOREIGN KEY ("club_id","person_id") REFERENCES "public"."person"("club_id","id") ON DELETE cascade;
--> statement-breakpoint
ALTER TABLE "person" ADD CONSTRAINT "person_club_id_club_id_fk" FOREIGN KEY ("club_id") REFERENCES "public"."club"("id") ON DELETE cascade;
--> statement-breakpoint
ALTER TABLE "sport_profile" ADD CONSTRAINT "sport_profile_club_id_club_id_fk" FOREIGN KEY ("club_id") REFERENCES "public"."club"("id") ON DELETE cascade;
--> statement-breakpoint
ALTER TABLE "sport_profile" ADD CONSTRAINT "sport_profile_made_by_coach_id_fk" FOREIGN KEY ("made_by") REFERENCES "public"."coach"("id") ON DELETE set null;
--> statement-breakpoint
ALTER TABLE "check_in" ADD CONSTRAINT "check_in_club_id_club_id_fk" FOREIGN KEY ("club_id") REFERENCES "public"."club"("id") ON DELETE cascade;
--> statement-breakpoint
ALTER TABLE "check_in" ADD CONSTRAINT "check_in_run" FOREIGN KEY ("club_id","run_id") REFERENCES "public"."run"("club_id","id") ON DELETE cascade;
--> statement-breakpoint
ALTER TABLE "draft_request" ADD CONSTRAINT "draft_request_club_id_club_id_fk" FOREIGN KEY ("club_id") REFERENCES "public"."club"("id") ON DELETE cascade;
--> statement-breakpoint
ALTER TABLE "draft_request" ADD CONSTRAINT "draft_request_made_by_coach_id_fk" FOREIGN KEY ("made_by") REFERENCES "public"."coach"("id") ON DELETE set null;
--> statement-breakpoint
ALTER TABLE "draft_request" ADD CONSTRAINT "draft_request_group" FOREIGN KEY ("club_id","group_id") REFERENCES "public"."group"("club_id","id") ON DELETE set null ("group_id");
--> statement-breakpoint
ALTER TABLE "edition" ADD CONSTRAINT "edition_club_id_club_id_fk" FOREIGN KEY ("club_id") REFERENCES "public"."club"("id") ON DELETE cascade;
--> statement-breakpoint
ALTER TABLE "edition" ADD CONSTRAINT "edition_made_by_coach_id_fk" FOREIGN KEY ("made_by") REFERENCES "public"."coach"("id") ON DELETE set null;
--> statement-breakpoint
ALTER TABLE "edition" ADD CONSTRAINT "edition_session" FOREIGN KEY ("club_id","session_id") REFERENCES "public"."training_session"("club_id","id") ON DELETE cascade;
--> statement-breakpoint
ALTER TABLE "link" ADD CONSTRAINT "link_club_id_club_id_fk" FOREIGN KEY ("club_id") REFERENCES "public"."club"("id") ON DELETE cascade;
--> statement-breakpoint
ALTER TABLE "link" ADD CONSTRAINT "link_made_by_coach_id_fk" FOREIGN KEY ("made_by") REFERENCES "public"."coach"("id") ON DELETE set null;
--> statement-breakpoint
ALTER TABLE "link" ADD CONSTRAINT "link_group" FOREIGN KEY ("club_id","group_id") REFERENCES "public"."group"("club_id","id") ON DELETE set null ("group_id");
--> statement-breakpoint
ALTER TABLE "link" ADD CONSTRAINT "link_edition" FOREIGN KEY ("club_id","edition_id") REFERENCES "public"."edition"("club_id","id") ON DELETE cascade;
--> statement-breakpoint
ALTER TABLE "own_drill" ADD CONSTRAINT "own_drill_club_id_club_id_fk" FOREIGN KEY ("club_id") REFERENCES "public"."club"("id") ON DELETE cascade;
--> statement-breakpoint
ALTER TABLE "own_drill" ADD CONSTRAINT "own_drill_made_by_coach_id_fk" FOREIGN KEY ("made_by") REFERENCES "public"."coach"("id") ON DELETE set null;
--> statement-breakpoint
ALTER TABLE "own_drill_revision" ADD CONSTRAINT "own_drill_revision_club_id_club_id_fk" FOREIGN KEY ("club_id") REFERENCES "public"."club"("id") ON DELETE cascade;
--> statement-breakpoint
ALTER TABLE "own_drill_revision" ADD CONSTRAINT "own_drill_revision_made_by_coach_id_fk" FOREIGN KEY ("made_by") REFERENCES "public"."coach"("id") ON DELETE set null;
--> statement-breakpoint
ALTER TABLE "own_drill_revision" ADD CONSTRAINT "own_drill_revision_drill" FOREIGN KEY ("club_id","drill_id") REFERENCES "public"."own_drill"("club_id","id") ON DELETE cascade;
--> statement-breakpoint
ALTER TABLE "own_drill_stress" ADD CONSTRAINT "own_drill_stress_club_id_club_id_fk" FOREIGN KEY ("club_id") REFERENCES "public"."club"("id") ON DELETE cascade;
--> statement-breakpoint
ALTER TABLE "own_drill_stress" ADD CONSTRAINT "own_drill_stress_drill" FOREIGN KEY ("club_id","drill_id") REFERENCES "public"."own_drill"("club_id","id") ON DELETE cascade;
--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_club_id_club_id_fk" FOREIGN KEY ("club_id") REFERENCES "public"."club"("id") ON DELETE cascade;
--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_person" FOREIGN KEY ("club_id","person_id") REFERENCES "public"."person"("club_id","id") ON DELETE set null ("person_id");
--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_link" FOREIGN KEY ("club_id","link_id") REFERENCES "public"."link"("club_id","id") ON DELETE cascade;
--> statement-breakpoint
ALTER TABLE "training_session" ADD CONSTRAINT "training_session_club_id_club_id_fk" FOREIGN KEY ("club_id") REFERENCES "public"."club"("id") ON DELETE cascade;
--> statement-breakpoint
ALTER TABLE "training_session" ADD CONSTRAINT "training_session_made_by_coach_id_fk" FOREIGN KEY ("made_by") REFERENCES "public"."coach"("id") ON DELETE set null;
--> statement-breakpoint
ALTER TABLE "training_session" ADD CONSTRAINT "training_session_group" FOREIGN KEY ("club_id","group_id") REFERENCES "public"."group"("club_id","id") ON DELETE set null ("group_id");
--> statement-breakpoint
CREATE INDEX "entry_target" ON "entry" USING btree ("club_id","target");
--> statement-breakpoint
CREATE INDEX "member_of" ON "member" USING btree ("coach_id");
--> statement-breakpoint
CREATE INDEX "membership_of_person" ON "membership" USING btree ("club_id","person_id");
--> statement-breakpoint
CREATE INDEX "sport_profile_list" ON "sport_profile" USING btree ("club_id","name");
--> statement-breakpoint
CREATE INDEX "draft_request_of_group" ON "draft_request" USING btree ("club_id","group_id");
--> statement-breakpoint
CREATE INDEX "link_of_group" ON "link" USING btree ("club_id","group_id");
--> statement-breakpoint
CREATE INDEX "run_of_person" ON "run" USING btree ("club_id","person_id");
--> statement-breakpoint
CREATE INDEX "training_session_of_group" ON "training_session" USING btree ("club_id","group_id");
--> statement-breakpoint
CREATE INDEX "draft_request_list" ON "draft_request" USING btree ("club_id","updated_at");
--> statement-breakpoint
CREATE INDEX "link_by_edition" ON "link" USING btree ("club_id","edition_id");
--> statement-breakpoint
CREATE INDEX "own_drill_list" ON "own_drill" USING btree ("club_id","updated_at");
--> statement-breakpoint
CREATE INDEX "own_drill_revision_content" ON "own_drill_revision" USING btree ("club_id","content_hash");
--> statement-breakpoint
CREATE INDEX "run_recent" ON "run" USING btree ("club_id","started_at");
--> statement-breakpoint
CREATE INDEX "run_of_link" ON "run" USING btree ("club_id","link_id","started_at");
--> statement-breakpoint
CREATE INDEX "training_session_list" ON "training_session" USING btree ("club_id","updated_at");
--> statement-breakpoint
-- What was handed out stays as it was, and so does a revision of a drill. Who made it may leave.
CREATE OR REPLACE FUNCTION refuse_edition_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF (to_jsonb(NEW) - 'made_by') IS DISTINCT FROM (to_jsonb(OLD) - 'made_by') OR NEW.made_by IS NOT NULL AND NEW.made_by IS DISTINCT FROM OLD.made_by THEN
    RAISE EXCEPTION 'an edition never changes';
  END IF;
  RETURN NEW;
END
$$;
--> statement-breakpoint
CREATE TRIGGER edition_never_changes BEFORE UPDATE ON "edition" FOR EACH ROW EXECUTE FUNCTION refuse_edition_change();
--> statement-breakpoint
CREATE OR REPLACE FUNCTION refuse_revision_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF (to_jsonb(NEW) - 'made_by' - 'content_hash') IS DISTINCT FROM (to_jsonb(OLD) - 'made_by' - 'content_hash') OR NEW.made_by IS NOT NULL AND NEW.made_by IS DISTINCT FROM OLD.made_by THEN
    RAISE EXCEPTION 'a revision of a drill never changes';
  END IF;
  RETURN NEW;
END
$$;
--> statement-breakpoint
CREATE TRIGGER own_drill_revision_never_changes BEFORE UPDATE ON "own_drill_revision" FOR EACH ROW EXECUTE FUNCTION refuse_revision_change();
--> statement-breakpoint
-- What an entry opened is gone: so is the entry.
CREATE FUNCTION drop_entry() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  DELETE FROM "entry" WHERE "club_id" = OLD.club_id AND "target" = OLD.id;
  RETURN OLD;
END
$$;
--> statement-breakpoint
CREATE TRIGGER link_drops_entry AFTER DELETE ON "link" FOR EACH ROW EXECUTE FUNCTION drop_entry();
