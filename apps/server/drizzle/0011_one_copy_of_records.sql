-- The typed tables become the only copy of the records; the change log keeps revisions, origins and deletions. Devices were sent
-- the log's copy, so wherever the two differ the log's copy is written to the table first.
ALTER TABLE "check_ins" ALTER COLUMN "made_at" SET DATA TYPE text
  USING to_char("made_at" AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"');--> statement-breakpoint
CREATE OR REPLACE FUNCTION pg_temp.camel(name text) RETURNS text LANGUAGE sql IMMUTABLE AS $$
  SELECT lower(left(each, 1)) || substr(each, 2) FROM (SELECT replace(initcap(replace(name, '_', ' ')), ' ', '') AS each) AS words
$$;
--> statement-breakpoint
CREATE OR REPLACE FUNCTION pg_temp.snake(name text) RETURNS text LANGUAGE sql IMMUTABLE AS $$
  SELECT lower(regexp_replace(name, '([A-Z])', '_\1', 'g'))
$$;
--> statement-breakpoint
-- The record of a table's row as devices know it: camelCase, without nulls.
CREATE OR REPLACE FUNCTION pg_temp.record_of(row_as_json jsonb) RETURNS jsonb LANGUAGE sql IMMUTABLE AS $$
  SELECT coalesce(jsonb_object_agg(pg_temp.camel(field.key), field.value), '{}'::jsonb)
  FROM jsonb_each(jsonb_strip_nulls(row_as_json - 'user_id')) AS field
$$;
--> statement-breakpoint
-- The row of a record: its top-level keys in snake_case.
CREATE OR REPLACE FUNCTION pg_temp.row_of(owner text, record jsonb) RETURNS jsonb LANGUAGE sql IMMUTABLE AS $$
  SELECT jsonb_object_agg(pg_temp.snake(field.key), field.value) || jsonb_build_object('user_id', owner) FROM jsonb_each(record) AS field
$$;
--> statement-breakpoint
DO $$
DECLARE
  named record;
  columns text;
  changed text;
  differing text;
  written bigint;
  left_over bigint;
BEGIN
  FOR named IN
    SELECT * FROM (VALUES
      ('settings', 'settings', 'user_id', 'true'), ('areas', 'areas', 'user_id, id', 't.id = l.key'),
      ('goals', 'goals', 'user_id, id', 't.id = l.key'), ('habits', 'habits', 'user_id, id', 't.id = l.key'),
      ('entries', 'entries', 'user_id, habit_id, day', 't.habit_id = substr(l.key, 12) AND t.day::text = left(l.key, 10)'),
      ('key_results', 'keyResults', 'user_id, id', 't.id = l.key'), ('check_ins', 'checkIns', 'user_id, id', 't.id = l.key'),
      ('steps', 'steps', 'user_id, id', 't.id = l.key'), ('milestones', 'milestones', 'user_id, id', 't.id = l.key'),
      ('seasons', 'seasons', 'user_id, id', 't.id = l.key'), ('months', 'months', 'user_id, month', 't.month = l.key'),
      ('prompts', 'prompts', 'user_id, id', 't.id = l.key'), ('journal', 'journal', 'user_id, id', 't.id = l.key'),
      ('reviews', 'reviews', 'user_id, id', 't.id = l.key'), ('habit_notes', 'habitNotes', 'user_id, id', 't.id = l.key'),
      ('rewards', 'rewards', 'user_id, id', 't.id = l.key'), ('claims', 'claims', 'user_id, id', 't.id = l.key'),
      ('quotes', 'quotes', 'user_id, id', 't.id = l.key'), ('reminders', 'reminders', 'user_id, id', 't.id = l.key')
    ) AS tables(name, collection, key, same)
  LOOP
    SELECT string_agg(format('%I', column_name), ', ' ORDER BY ordinal_position),
      string_agg(format('%1$I = excluded.%1$I', column_name), ', ')
      INTO columns, changed FROM information_schema.columns
      WHERE table_schema = current_schema() AND table_name = named.name;
    differing := format($q$
      FROM change_log AS l LEFT JOIN %I AS t ON t.user_id = l.user_id AND %s
      WHERE l.collection = %L AND l.record IS NOT NULL
        AND (t.user_id IS NULL OR pg_temp.record_of(to_jsonb(t)) <> jsonb_strip_nulls(l.record::jsonb))
    $q$, named.name, named.same, named.collection);
    EXECUTE format($q$
      INSERT INTO %1$I (%2$s) SELECT (jsonb_populate_record(NULL::%1$I, pg_temp.row_of(l.user_id, l.record::jsonb))).* %3$s
      ON CONFLICT (%4$s) DO UPDATE SET %5$s
    $q$, named.name, columns, differing, named.key, changed);
    GET DIAGNOSTICS written = ROW_COUNT;
    CONTINUE WHEN written = 0;
    EXECUTE 'SELECT count(*) ' || differing INTO left_over;
    IF left_over > 0 THEN
      RAISE EXCEPTION '% records of % cannot be kept in their table as they are', left_over, named.collection;
    END IF;
  END LOOP;
END
$$;
--> statement-breakpoint
-- Changing the type writes the log anew, without the records' bytes.
ALTER TABLE "change_log" ALTER COLUMN "record" SET DATA TYPE boolean USING ("record" IS NULL);--> statement-breakpoint
ALTER TABLE "change_log" RENAME COLUMN "record" TO "deleted";--> statement-breakpoint
ALTER TABLE "change_log" ALTER COLUMN "deleted" SET NOT NULL;
