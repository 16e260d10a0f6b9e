ALTER TABLE "seasons" ADD COLUMN "habit_ids" jsonb;--> statement-breakpoint
-- The first terms of a habit begin with its record, so that a later change of terms never reaches days from before. No
-- figure moves by it: the first terms hold before their day too. Devices are told by a new revision of the habit.
DO $$
DECLARE
  late record;
  next bigint;
BEGIN
  FOR late IN
    SELECT habits.user_id, habits.id, firsts.day FROM habits
    CROSS JOIN LATERAL (
      SELECT least(habits.starts_on, min(entries.day)) AS day FROM entries
      WHERE entries.user_id = habits.user_id AND entries.habit_id = habits.id
        AND (entries.mark IS NOT NULL OR entries.amount IS NOT NULL)
    ) AS firsts
    WHERE (habits.terms -> 0 ->> 'from')::date > firsts.day
    ORDER BY habits.user_id, habits.id
  LOOP
    UPDATE habits SET terms = jsonb_set(terms, '{0,from}', to_jsonb(to_char(late.day, 'YYYY-MM-DD')))
      WHERE user_id = late.user_id AND id = late.id;
    UPDATE revisions SET revision = revision + 1 WHERE user_id = late.user_id RETURNING revision INTO next;
    UPDATE change_log
      SET record = jsonb_set(record::jsonb, '{terms,0,from}', to_jsonb(to_char(late.day, 'YYYY-MM-DD')))::json, revision = next
      WHERE user_id = late.user_id AND collection = 'habits' AND key = late.id;
  END LOOP;
END
$$;
