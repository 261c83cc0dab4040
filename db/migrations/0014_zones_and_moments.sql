DROP INDEX "run_of_link";--> statement-breakpoint
ALTER TABLE "check_in" ADD COLUMN "device_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "check_in" ADD COLUMN "arrived_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "club" ADD COLUMN "zone" text;--> statement-breakpoint
ALTER TABLE "club" ADD COLUMN "keep_months" smallint DEFAULT 24 NOT NULL;--> statement-breakpoint
ALTER TABLE "run" ADD COLUMN "device_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "run" ADD COLUMN "arrived_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
UPDATE "run" SET "arrived_at" = "started_at";--> statement-breakpoint
UPDATE "check_in" SET "arrived_at" = "sent_at";--> statement-breakpoint
CREATE INDEX "run_arrived" ON "run" USING btree ("club_id","arrived_at");--> statement-breakpoint
CREATE INDEX "run_of_link" ON "run" USING btree ("club_id","link_id","arrived_at");--> statement-breakpoint
ALTER TABLE "club" ADD CONSTRAINT "club_zone" CHECK (length("club"."zone") between 2 and 60);--> statement-breakpoint
ALTER TABLE "club" ADD CONSTRAINT "club_keep_months" CHECK ("club"."keep_months" between 1 and 120);--> statement-breakpoint
-- Whoever is forgotten is taken out of what was chosen for them and out of findings that name them; the rest of an edition still never changes.
CREATE OR REPLACE FUNCTION refuse_edition_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF (to_jsonb(NEW) - 'made_by' - 'choices' - 'accepted') IS DISTINCT FROM (to_jsonb(OLD) - 'made_by' - 'choices' - 'accepted')
    OR NEW.made_by IS NOT NULL AND NEW.made_by IS DISTINCT FROM OLD.made_by
    OR jsonb_array_length(NEW.choices) > jsonb_array_length(OLD.choices) OR jsonb_array_length(NEW.accepted) <> jsonb_array_length(OLD.accepted) THEN
    RAISE EXCEPTION 'an edition never changes';
  END IF;
  RETURN NEW;
END
$$;
