CREATE TABLE "limits" (
	"key" varchar(255) PRIMARY KEY NOT NULL,
	"points" integer DEFAULT 0 NOT NULL,
	"expire" bigint
);
--> statement-breakpoint
CREATE TABLE "change_log" (
	"user_id" text NOT NULL,
	"collection" text NOT NULL,
	"key" text NOT NULL,
	"revision" bigint NOT NULL,
	"changed_at" timestamp with time zone NOT NULL,
	"change_id" text NOT NULL,
	"record" json,
	CONSTRAINT "change_log_user_id_collection_key_pk" PRIMARY KEY("user_id","collection","key")
);
--> statement-breakpoint
-- What stands in the tables goes into the log as devices are sent it: keys in camelCase, nothing left out as null.
CREATE FUNCTION pg_temp.camel(name text) RETURNS text LANGUAGE sql IMMUTABLE AS $$
  SELECT lower(left(each, 1)) || substr(each, 2) FROM (SELECT replace(initcap(replace(name, '_', ' ')), ' ', '') AS each) AS words
$$;
--> statement-breakpoint
DO $$
DECLARE
  named record;
BEGIN
  PERFORM set_config('TimeZone', 'UTC', true);
  -- Instants that a clock far ahead has written would win over every later change.
  UPDATE "check_ins" SET made_at = now() WHERE made_at > now() + interval '1 day';
  FOR named IN
    SELECT * FROM (VALUES
      ('settings', 'settings', $k$'settings'$k$), ('areas', 'areas', 'id'), ('goals', 'goals', 'id'),
      ('habits', 'habits', 'id'), ('entries', 'entries', $k$to_char(day, 'YYYY-MM-DD') || ' ' || habit_id$k$),
      ('key_results', 'keyResults', 'id'), ('check_ins', 'checkIns', 'id'), ('steps', 'steps', 'id'),
      ('milestones', 'milestones', 'id'), ('seasons', 'seasons', 'id'), ('months', 'months', 'month'),
      ('prompts', 'prompts', 'id'), ('journal', 'journal', 'id'), ('reviews', 'reviews', 'id'),
      ('habit_notes', 'habitNotes', 'id'), ('rewards', 'rewards', 'id'), ('claims', 'claims', 'id'),
      ('quotes', 'quotes', 'id'), ('reminders', 'reminders', 'id')
    ) AS tables(name, collection, key)
  LOOP
    EXECUTE format($q$
      INSERT INTO change_log (user_id, collection, key, revision, changed_at, change_id, record)
      SELECT user_id, %L, %s, revision, least(changed_at, now()), change_id,
        (SELECT json_object_agg(pg_temp.camel(field.key),
            CASE WHEN field.key = 'made_at' THEN to_jsonb(replace(field.value #>> '{}', '+00:00', 'Z')) ELSE field.value END)
          FROM jsonb_each(to_jsonb(t) - 'user_id' - 'revision' - 'changed_at' - 'change_id' - 'place') AS field
          WHERE field.value <> 'null'::jsonb)
      FROM %I AS t
    $q$, named.collection, named.key, named.name);
  END LOOP;
  INSERT INTO change_log (user_id, collection, key, revision, changed_at, change_id, record)
    SELECT user_id, collection, key, revision, least(changed_at, now()), change_id, NULL FROM removals
    ON CONFLICT DO NOTHING;
END
$$;
--> statement-breakpoint
ALTER TABLE "rate_limit" DISABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "removals" DISABLE ROW LEVEL SECURITY;--> statement-breakpoint
DROP TABLE "rate_limit" CASCADE;--> statement-breakpoint
DROP TABLE "removals" CASCADE;--> statement-breakpoint
DROP INDEX "areas_by_revision";--> statement-breakpoint
DROP INDEX "check_ins_by_revision";--> statement-breakpoint
DROP INDEX "claims_by_revision";--> statement-breakpoint
DROP INDEX "entries_by_revision";--> statement-breakpoint
DROP INDEX "goals_by_revision";--> statement-breakpoint
DROP INDEX "habit_notes_by_revision";--> statement-breakpoint
DROP INDEX "habits_by_revision";--> statement-breakpoint
DROP INDEX "journal_by_revision";--> statement-breakpoint
DROP INDEX "key_results_by_revision";--> statement-breakpoint
DROP INDEX "milestones_by_revision";--> statement-breakpoint
DROP INDEX "months_by_revision";--> statement-breakpoint
DROP INDEX "prompts_by_revision";--> statement-breakpoint
DROP INDEX "quotes_by_revision";--> statement-breakpoint
DROP INDEX "reminders_by_revision";--> statement-breakpoint
DROP INDEX "reviews_by_revision";--> statement-breakpoint
DROP INDEX "rewards_by_revision";--> statement-breakpoint
DROP INDEX "seasons_by_revision";--> statement-breakpoint
DROP INDEX "steps_by_revision";--> statement-breakpoint
ALTER TABLE "user" ADD COLUMN "is_anonymous" boolean;--> statement-breakpoint
ALTER TABLE "change_log" ADD CONSTRAINT "change_log_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "change_log_by_revision" ON "change_log" USING btree ("user_id","revision");--> statement-breakpoint
ALTER TABLE "areas" DROP COLUMN "revision";--> statement-breakpoint
ALTER TABLE "areas" DROP COLUMN "changed_at";--> statement-breakpoint
ALTER TABLE "areas" DROP COLUMN "change_id";--> statement-breakpoint
ALTER TABLE "areas" DROP COLUMN "place";--> statement-breakpoint
ALTER TABLE "check_ins" DROP COLUMN "revision";--> statement-breakpoint
ALTER TABLE "check_ins" DROP COLUMN "changed_at";--> statement-breakpoint
ALTER TABLE "check_ins" DROP COLUMN "change_id";--> statement-breakpoint
ALTER TABLE "check_ins" DROP COLUMN "place";--> statement-breakpoint
ALTER TABLE "claims" DROP COLUMN "revision";--> statement-breakpoint
ALTER TABLE "claims" DROP COLUMN "changed_at";--> statement-breakpoint
ALTER TABLE "claims" DROP COLUMN "change_id";--> statement-breakpoint
ALTER TABLE "claims" DROP COLUMN "place";--> statement-breakpoint
ALTER TABLE "entries" DROP COLUMN "revision";--> statement-breakpoint
ALTER TABLE "entries" DROP COLUMN "changed_at";--> statement-breakpoint
ALTER TABLE "entries" DROP COLUMN "change_id";--> statement-breakpoint
ALTER TABLE "entries" DROP COLUMN "place";--> statement-breakpoint
ALTER TABLE "goals" DROP COLUMN "revision";--> statement-breakpoint
ALTER TABLE "goals" DROP COLUMN "changed_at";--> statement-breakpoint
ALTER TABLE "goals" DROP COLUMN "change_id";--> statement-breakpoint
ALTER TABLE "goals" DROP COLUMN "place";--> statement-breakpoint
ALTER TABLE "habit_notes" DROP COLUMN "revision";--> statement-breakpoint
ALTER TABLE "habit_notes" DROP COLUMN "changed_at";--> statement-breakpoint
ALTER TABLE "habit_notes" DROP COLUMN "change_id";--> statement-breakpoint
ALTER TABLE "habit_notes" DROP COLUMN "place";--> statement-breakpoint
ALTER TABLE "habits" DROP COLUMN "revision";--> statement-breakpoint
ALTER TABLE "habits" DROP COLUMN "changed_at";--> statement-breakpoint
ALTER TABLE "habits" DROP COLUMN "change_id";--> statement-breakpoint
ALTER TABLE "habits" DROP COLUMN "place";--> statement-breakpoint
ALTER TABLE "journal" DROP COLUMN "revision";--> statement-breakpoint
ALTER TABLE "journal" DROP COLUMN "changed_at";--> statement-breakpoint
ALTER TABLE "journal" DROP COLUMN "change_id";--> statement-breakpoint
ALTER TABLE "journal" DROP COLUMN "place";--> statement-breakpoint
ALTER TABLE "key_results" DROP COLUMN "revision";--> statement-breakpoint
ALTER TABLE "key_results" DROP COLUMN "changed_at";--> statement-breakpoint
ALTER TABLE "key_results" DROP COLUMN "change_id";--> statement-breakpoint
ALTER TABLE "key_results" DROP COLUMN "place";--> statement-breakpoint
ALTER TABLE "milestones" DROP COLUMN "revision";--> statement-breakpoint
ALTER TABLE "milestones" DROP COLUMN "changed_at";--> statement-breakpoint
ALTER TABLE "milestones" DROP COLUMN "change_id";--> statement-breakpoint
ALTER TABLE "milestones" DROP COLUMN "place";--> statement-breakpoint
ALTER TABLE "months" DROP COLUMN "revision";--> statement-breakpoint
ALTER TABLE "months" DROP COLUMN "changed_at";--> statement-breakpoint
ALTER TABLE "months" DROP COLUMN "change_id";--> statement-breakpoint
ALTER TABLE "months" DROP COLUMN "place";--> statement-breakpoint
ALTER TABLE "prompts" DROP COLUMN "revision";--> statement-breakpoint
ALTER TABLE "prompts" DROP COLUMN "changed_at";--> statement-breakpoint
ALTER TABLE "prompts" DROP COLUMN "change_id";--> statement-breakpoint
ALTER TABLE "prompts" DROP COLUMN "place";--> statement-breakpoint
ALTER TABLE "quotes" DROP COLUMN "revision";--> statement-breakpoint
ALTER TABLE "quotes" DROP COLUMN "changed_at";--> statement-breakpoint
ALTER TABLE "quotes" DROP COLUMN "change_id";--> statement-breakpoint
ALTER TABLE "quotes" DROP COLUMN "place";--> statement-breakpoint
ALTER TABLE "reminders" DROP COLUMN "revision";--> statement-breakpoint
ALTER TABLE "reminders" DROP COLUMN "changed_at";--> statement-breakpoint
ALTER TABLE "reminders" DROP COLUMN "change_id";--> statement-breakpoint
ALTER TABLE "reminders" DROP COLUMN "place";--> statement-breakpoint
ALTER TABLE "reviews" DROP COLUMN "revision";--> statement-breakpoint
ALTER TABLE "reviews" DROP COLUMN "changed_at";--> statement-breakpoint
ALTER TABLE "reviews" DROP COLUMN "change_id";--> statement-breakpoint
ALTER TABLE "reviews" DROP COLUMN "place";--> statement-breakpoint
ALTER TABLE "rewards" DROP COLUMN "revision";--> statement-breakpoint
ALTER TABLE "rewards" DROP COLUMN "changed_at";--> statement-breakpoint
ALTER TABLE "rewards" DROP COLUMN "change_id";--> statement-breakpoint
ALTER TABLE "rewards" DROP COLUMN "place";--> statement-breakpoint
ALTER TABLE "seasons" DROP COLUMN "revision";--> statement-breakpoint
ALTER TABLE "seasons" DROP COLUMN "changed_at";--> statement-breakpoint
ALTER TABLE "seasons" DROP COLUMN "change_id";--> statement-breakpoint
ALTER TABLE "seasons" DROP COLUMN "place";--> statement-breakpoint
ALTER TABLE "settings" DROP COLUMN "revision";--> statement-breakpoint
ALTER TABLE "settings" DROP COLUMN "changed_at";--> statement-breakpoint
ALTER TABLE "settings" DROP COLUMN "change_id";--> statement-breakpoint
ALTER TABLE "settings" DROP COLUMN "place";--> statement-breakpoint
ALTER TABLE "steps" DROP COLUMN "revision";--> statement-breakpoint
ALTER TABLE "steps" DROP COLUMN "changed_at";--> statement-breakpoint
ALTER TABLE "steps" DROP COLUMN "change_id";--> statement-breakpoint
ALTER TABLE "steps" DROP COLUMN "place";--> statement-breakpoint
-- Told to every server, so that a session that has ended is known as ended at once.
CREATE FUNCTION tell_session_ended() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM pg_notify('session_ended', OLD.id);
  RETURN NULL;
END
$$;
--> statement-breakpoint
CREATE TRIGGER session_ended AFTER DELETE ON "session" FOR EACH ROW EXECUTE FUNCTION tell_session_ended();
