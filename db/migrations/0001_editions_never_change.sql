-- What was handed out stays as it was: an edition can be made and can go with its session, never be edited.
CREATE FUNCTION refuse_edition_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'an edition never changes';
END
$$;
--> statement-breakpoint
CREATE TRIGGER edition_never_changes BEFORE UPDATE ON "edition" FOR EACH ROW EXECUTE FUNCTION refuse_edition_change();
