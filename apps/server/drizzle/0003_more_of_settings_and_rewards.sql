ALTER TABLE "goals" ADD COLUMN "enjoyed_on" date;--> statement-breakpoint
ALTER TABLE "milestones" ADD COLUMN "enjoyed_on" date;--> statement-breakpoint
ALTER TABLE "seasons" ADD COLUMN "why" text;--> statement-breakpoint
ALTER TABLE "seasons" ADD COLUMN "notes" jsonb;--> statement-breakpoint
ALTER TABLE "settings" ADD COLUMN "full_day_target" jsonb;--> statement-breakpoint
ALTER TABLE "settings" ADD COLUMN "mood_marks" jsonb;--> statement-breakpoint
ALTER TABLE "settings" ADD COLUMN "review_day" text;