ALTER TABLE "change_log" ADD COLUMN "bytes" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
UPDATE "change_log" SET "bytes" = octet_length("record"::text) WHERE "record" IS NOT NULL;
