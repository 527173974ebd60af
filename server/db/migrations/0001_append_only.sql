-- The ledger is append-only in the database too: whatever the code above it does, nothing measured is lost.
CREATE FUNCTION refuse_ledger_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'entries are append-only: correct or void with a new entry';
END $$;
--> statement-breakpoint
CREATE TRIGGER entries_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON "entries"
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_ledger_change();
