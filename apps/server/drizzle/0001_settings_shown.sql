ALTER TABLE "settings" ADD COLUMN "hidden" jsonb;--> statement-breakpoint
ALTER TABLE "settings" ADD COLUMN "today_by" text;