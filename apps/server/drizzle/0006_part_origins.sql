ALTER TABLE "change_log" ADD COLUMN "parts" json;--> statement-breakpoint
-- What was written up to now was put together without writing down who wrote which part.
UPDATE "change_log" SET "parts" = '{"of":{},"seen":[],"isOld":true}'
WHERE "record" IS NOT NULL AND "collection" NOT IN ('entries', 'journal');
