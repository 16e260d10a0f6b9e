CREATE TABLE "account" (
	"id" text PRIMARY KEY NOT NULL,
	"account_id" text NOT NULL,
	"provider_id" text NOT NULL,
	"user_id" text NOT NULL,
	"access_token" text,
	"refresh_token" text,
	"id_token" text,
	"access_token_expires_at" timestamp with time zone,
	"refresh_token_expires_at" timestamp with time zone,
	"scope" text,
	"password" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "rate_limit" (
	"id" text PRIMARY KEY NOT NULL,
	"key" text NOT NULL,
	"count" integer NOT NULL,
	"last_request" bigint NOT NULL,
	CONSTRAINT "rate_limit_key_unique" UNIQUE("key")
);
--> statement-breakpoint
CREATE TABLE "session" (
	"id" text PRIMARY KEY NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"token" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"ip_address" text,
	"user_agent" text,
	"user_id" text NOT NULL,
	CONSTRAINT "session_token_unique" UNIQUE("token")
);
--> statement-breakpoint
CREATE TABLE "user" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"email" text NOT NULL,
	"email_verified" boolean DEFAULT false NOT NULL,
	"image" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "user_email_unique" UNIQUE("email")
);
--> statement-breakpoint
CREATE TABLE "verification" (
	"id" text PRIMARY KEY NOT NULL,
	"identifier" text NOT NULL,
	"value" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "areas" (
	"user_id" text NOT NULL,
	"revision" bigint NOT NULL,
	"changed_at" timestamp with time zone NOT NULL,
	"change_id" text NOT NULL,
	"place" bigint NOT NULL,
	"id" text NOT NULL,
	"name" text NOT NULL,
	"color" text,
	"icon" text,
	"order" double precision NOT NULL,
	CONSTRAINT "areas_user_id_id_pk" PRIMARY KEY("user_id","id")
);
--> statement-breakpoint
CREATE TABLE "check_ins" (
	"user_id" text NOT NULL,
	"revision" bigint NOT NULL,
	"changed_at" timestamp with time zone NOT NULL,
	"change_id" text NOT NULL,
	"place" bigint NOT NULL,
	"id" text NOT NULL,
	"key_result_id" text NOT NULL,
	"day" date NOT NULL,
	"value" double precision NOT NULL,
	"note" text,
	"made_at" timestamp with time zone NOT NULL,
	CONSTRAINT "check_ins_user_id_id_pk" PRIMARY KEY("user_id","id")
);
--> statement-breakpoint
CREATE TABLE "claims" (
	"user_id" text NOT NULL,
	"revision" bigint NOT NULL,
	"changed_at" timestamp with time zone NOT NULL,
	"change_id" text NOT NULL,
	"place" bigint NOT NULL,
	"id" text NOT NULL,
	"reward_id" text NOT NULL,
	"day" date NOT NULL,
	"cost" double precision NOT NULL,
	CONSTRAINT "claims_user_id_id_pk" PRIMARY KEY("user_id","id"),
	CONSTRAINT "claims_cost" CHECK ("claims"."cost" >= 0)
);
--> statement-breakpoint
CREATE TABLE "entries" (
	"user_id" text NOT NULL,
	"revision" bigint NOT NULL,
	"changed_at" timestamp with time zone NOT NULL,
	"change_id" text NOT NULL,
	"place" bigint NOT NULL,
	"habit_id" text NOT NULL,
	"day" date NOT NULL,
	"mark" text,
	"amount" double precision,
	"note" text,
	"parts" jsonb,
	CONSTRAINT "entries_user_id_habit_id_day_pk" PRIMARY KEY("user_id","habit_id","day"),
	CONSTRAINT "entries_mark" CHECK ("entries"."mark" in ('done', 'missed', 'rest')),
	CONSTRAINT "entries_amount" CHECK ("entries"."amount" >= 0)
);
--> statement-breakpoint
CREATE TABLE "goals" (
	"user_id" text NOT NULL,
	"revision" bigint NOT NULL,
	"changed_at" timestamp with time zone NOT NULL,
	"change_id" text NOT NULL,
	"place" bigint NOT NULL,
	"id" text NOT NULL,
	"title" text NOT NULL,
	"area_id" text,
	"why" text,
	"done_when" text,
	"starts_on" date NOT NULL,
	"due_on" date,
	"state" text NOT NULL,
	"closed_on" date,
	"reward" text,
	"order" double precision NOT NULL,
	CONSTRAINT "goals_user_id_id_pk" PRIMARY KEY("user_id","id"),
	CONSTRAINT "goals_state" CHECK ("goals"."state" in ('open', 'reached', 'dropped', 'paused')),
	CONSTRAINT "goals_due" CHECK ("goals"."due_on" >= "goals"."starts_on")
);
--> statement-breakpoint
CREATE TABLE "habit_notes" (
	"user_id" text NOT NULL,
	"revision" bigint NOT NULL,
	"changed_at" timestamp with time zone NOT NULL,
	"change_id" text NOT NULL,
	"place" bigint NOT NULL,
	"id" text NOT NULL,
	"habit_id" text NOT NULL,
	"day" date,
	"text" text NOT NULL,
	"link" text,
	CONSTRAINT "habit_notes_user_id_id_pk" PRIMARY KEY("user_id","id")
);
--> statement-breakpoint
CREATE TABLE "habits" (
	"user_id" text NOT NULL,
	"revision" bigint NOT NULL,
	"changed_at" timestamp with time zone NOT NULL,
	"change_id" text NOT NULL,
	"place" bigint NOT NULL,
	"id" text NOT NULL,
	"name" text NOT NULL,
	"area_id" text,
	"goal_id" text,
	"icon" text,
	"order" double precision NOT NULL,
	"note" text,
	"aim" text NOT NULL,
	"part_of_day" text NOT NULL,
	"measure" jsonb NOT NULL,
	"terms" jsonb NOT NULL,
	"starts_on" date NOT NULL,
	"ends_on" date,
	"archived" boolean,
	"pauses" jsonb,
	"finish_line" jsonb,
	"month_targets" jsonb,
	"year_targets" jsonb,
	"variants" jsonb,
	"done_by" text,
	CONSTRAINT "habits_user_id_id_pk" PRIMARY KEY("user_id","id"),
	CONSTRAINT "habits_aim" CHECK ("habits"."aim" in ('build', 'quit')),
	CONSTRAINT "habits_part_of_day" CHECK ("habits"."part_of_day" in ('morning', 'midday', 'evening', 'any')),
	CONSTRAINT "habits_ends" CHECK ("habits"."ends_on" >= "habits"."starts_on"),
	CONSTRAINT "habits_terms" CHECK (jsonb_array_length("habits"."terms") > 0)
);
--> statement-breakpoint
CREATE TABLE "journal" (
	"user_id" text NOT NULL,
	"revision" bigint NOT NULL,
	"changed_at" timestamp with time zone NOT NULL,
	"change_id" text NOT NULL,
	"place" bigint NOT NULL,
	"id" text NOT NULL,
	"day" date NOT NULL,
	"part" text NOT NULL,
	"mood" integer,
	"feelings" jsonb,
	"text" text,
	"answers" jsonb,
	CONSTRAINT "journal_user_id_id_pk" PRIMARY KEY("user_id","id"),
	CONSTRAINT "journal_mood" CHECK ("journal"."mood" between 1 and 5)
);
--> statement-breakpoint
CREATE TABLE "key_results" (
	"user_id" text NOT NULL,
	"revision" bigint NOT NULL,
	"changed_at" timestamp with time zone NOT NULL,
	"change_id" text NOT NULL,
	"place" bigint NOT NULL,
	"id" text NOT NULL,
	"goal_id" text NOT NULL,
	"title" text NOT NULL,
	"weight" double precision,
	"starts_on" date,
	"due_on" date,
	"order" double precision NOT NULL,
	"measure" jsonb NOT NULL,
	"checkpoints" jsonb,
	CONSTRAINT "key_results_user_id_id_pk" PRIMARY KEY("user_id","id"),
	CONSTRAINT "key_results_weight" CHECK ("key_results"."weight" > 0),
	CONSTRAINT "key_results_due" CHECK ("key_results"."due_on" >= "key_results"."starts_on")
);
--> statement-breakpoint
CREATE TABLE "milestones" (
	"user_id" text NOT NULL,
	"revision" bigint NOT NULL,
	"changed_at" timestamp with time zone NOT NULL,
	"change_id" text NOT NULL,
	"place" bigint NOT NULL,
	"id" text NOT NULL,
	"goal_id" text NOT NULL,
	"title" text NOT NULL,
	"due_on" date,
	"reached_on" date,
	"reward" text,
	"pips" double precision,
	"after" jsonb,
	"order" double precision NOT NULL,
	CONSTRAINT "milestones_user_id_id_pk" PRIMARY KEY("user_id","id"),
	CONSTRAINT "milestones_pips" CHECK ("milestones"."pips" >= 0)
);
--> statement-breakpoint
CREATE TABLE "months" (
	"user_id" text NOT NULL,
	"revision" bigint NOT NULL,
	"changed_at" timestamp with time zone NOT NULL,
	"change_id" text NOT NULL,
	"place" bigint NOT NULL,
	"month" text NOT NULL,
	"word" text,
	"aims" jsonb NOT NULL,
	CONSTRAINT "months_user_id_month_pk" PRIMARY KEY("user_id","month")
);
--> statement-breakpoint
CREATE TABLE "prompts" (
	"user_id" text NOT NULL,
	"revision" bigint NOT NULL,
	"changed_at" timestamp with time zone NOT NULL,
	"change_id" text NOT NULL,
	"place" bigint NOT NULL,
	"id" text NOT NULL,
	"text" text NOT NULL,
	"part" text NOT NULL,
	"kind" text NOT NULL,
	"size" integer,
	"active" boolean NOT NULL,
	"order" double precision NOT NULL,
	CONSTRAINT "prompts_user_id_id_pk" PRIMARY KEY("user_id","id")
);
--> statement-breakpoint
CREATE TABLE "quotes" (
	"user_id" text NOT NULL,
	"revision" bigint NOT NULL,
	"changed_at" timestamp with time zone NOT NULL,
	"change_id" text NOT NULL,
	"place" bigint NOT NULL,
	"id" text NOT NULL,
	"text" text NOT NULL,
	"by" text,
	CONSTRAINT "quotes_user_id_id_pk" PRIMARY KEY("user_id","id")
);
--> statement-breakpoint
CREATE TABLE "reminders" (
	"user_id" text NOT NULL,
	"revision" bigint NOT NULL,
	"changed_at" timestamp with time zone NOT NULL,
	"change_id" text NOT NULL,
	"place" bigint NOT NULL,
	"id" text NOT NULL,
	"habit_id" text,
	"about" text NOT NULL,
	"at" text NOT NULL,
	"days" jsonb NOT NULL,
	"on" boolean NOT NULL,
	CONSTRAINT "reminders_user_id_id_pk" PRIMARY KEY("user_id","id")
);
--> statement-breakpoint
CREATE TABLE "reviews" (
	"user_id" text NOT NULL,
	"revision" bigint NOT NULL,
	"changed_at" timestamp with time zone NOT NULL,
	"change_id" text NOT NULL,
	"place" bigint NOT NULL,
	"id" text NOT NULL,
	"span" text NOT NULL,
	"from" date NOT NULL,
	"season_id" text,
	"answers" jsonb NOT NULL,
	CONSTRAINT "reviews_user_id_id_pk" PRIMARY KEY("user_id","id")
);
--> statement-breakpoint
CREATE TABLE "removals" (
	"user_id" text NOT NULL,
	"collection" text NOT NULL,
	"key" text NOT NULL,
	"revision" bigint NOT NULL,
	"changed_at" timestamp with time zone NOT NULL,
	"change_id" text NOT NULL,
	CONSTRAINT "removals_user_id_collection_key_pk" PRIMARY KEY("user_id","collection","key")
);
--> statement-breakpoint
CREATE TABLE "revisions" (
	"user_id" text PRIMARY KEY NOT NULL,
	"revision" bigint NOT NULL
);
--> statement-breakpoint
CREATE TABLE "rewards" (
	"user_id" text NOT NULL,
	"revision" bigint NOT NULL,
	"changed_at" timestamp with time zone NOT NULL,
	"change_id" text NOT NULL,
	"place" bigint NOT NULL,
	"id" text NOT NULL,
	"title" text NOT NULL,
	"cost" double precision NOT NULL,
	"icon" text,
	"order" double precision NOT NULL,
	"retired" boolean,
	CONSTRAINT "rewards_user_id_id_pk" PRIMARY KEY("user_id","id"),
	CONSTRAINT "rewards_cost" CHECK ("rewards"."cost" >= 0)
);
--> statement-breakpoint
CREATE TABLE "seasons" (
	"user_id" text NOT NULL,
	"revision" bigint NOT NULL,
	"changed_at" timestamp with time zone NOT NULL,
	"change_id" text NOT NULL,
	"place" bigint NOT NULL,
	"id" text NOT NULL,
	"title" text NOT NULL,
	"starts_on" date NOT NULL,
	"weeks" integer NOT NULL,
	"vision" text,
	"pass_mark" double precision,
	"goal_ids" jsonb NOT NULL,
	CONSTRAINT "seasons_user_id_id_pk" PRIMARY KEY("user_id","id"),
	CONSTRAINT "seasons_weeks" CHECK ("seasons"."weeks" > 0)
);
--> statement-breakpoint
CREATE TABLE "settings" (
	"user_id" text NOT NULL,
	"revision" bigint NOT NULL,
	"changed_at" timestamp with time zone NOT NULL,
	"change_id" text NOT NULL,
	"place" bigint NOT NULL,
	"week_start" text NOT NULL,
	"pass_mark" double precision NOT NULL,
	"day_ends_at" integer NOT NULL,
	"day_marks" jsonb,
	"currency" text,
	"pips_name" jsonb,
	CONSTRAINT "settings_user_id_pk" PRIMARY KEY("user_id"),
	CONSTRAINT "settings_pass_mark" CHECK ("settings"."pass_mark" between 0 and 1),
	CONSTRAINT "settings_day_ends" CHECK ("settings"."day_ends_at" between 0 and 6)
);
--> statement-breakpoint
CREATE TABLE "steps" (
	"user_id" text NOT NULL,
	"revision" bigint NOT NULL,
	"changed_at" timestamp with time zone NOT NULL,
	"change_id" text NOT NULL,
	"place" bigint NOT NULL,
	"id" text NOT NULL,
	"goal_id" text NOT NULL,
	"key_result_id" text,
	"parent_id" text,
	"title" text NOT NULL,
	"priority" integer,
	"impact" text,
	"starts_on" date,
	"due_on" date,
	"done_on" date,
	"note" text,
	"order" double precision NOT NULL,
	CONSTRAINT "steps_user_id_id_pk" PRIMARY KEY("user_id","id"),
	CONSTRAINT "steps_priority" CHECK ("steps"."priority" between 1 and 4),
	CONSTRAINT "steps_due" CHECK ("steps"."due_on" >= "steps"."starts_on")
);
--> statement-breakpoint
ALTER TABLE "account" ADD CONSTRAINT "account_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "session" ADD CONSTRAINT "session_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "areas" ADD CONSTRAINT "areas_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "check_ins" ADD CONSTRAINT "check_ins_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "check_ins" ADD CONSTRAINT "check_ins_user_id_key_result_id_key_results_user_id_id_fk" FOREIGN KEY ("user_id","key_result_id") REFERENCES "public"."key_results"("user_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "claims" ADD CONSTRAINT "claims_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "claims" ADD CONSTRAINT "claims_user_id_reward_id_rewards_user_id_id_fk" FOREIGN KEY ("user_id","reward_id") REFERENCES "public"."rewards"("user_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "entries" ADD CONSTRAINT "entries_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "entries" ADD CONSTRAINT "entries_user_id_habit_id_habits_user_id_id_fk" FOREIGN KEY ("user_id","habit_id") REFERENCES "public"."habits"("user_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "goals" ADD CONSTRAINT "goals_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "goals" ADD CONSTRAINT "goals_user_id_area_id_areas_user_id_id_fk" FOREIGN KEY ("user_id","area_id") REFERENCES "public"."areas"("user_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "habit_notes" ADD CONSTRAINT "habit_notes_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "habit_notes" ADD CONSTRAINT "habit_notes_user_id_habit_id_habits_user_id_id_fk" FOREIGN KEY ("user_id","habit_id") REFERENCES "public"."habits"("user_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "habits" ADD CONSTRAINT "habits_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "habits" ADD CONSTRAINT "habits_user_id_area_id_areas_user_id_id_fk" FOREIGN KEY ("user_id","area_id") REFERENCES "public"."areas"("user_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "habits" ADD CONSTRAINT "habits_user_id_goal_id_goals_user_id_id_fk" FOREIGN KEY ("user_id","goal_id") REFERENCES "public"."goals"("user_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "journal" ADD CONSTRAINT "journal_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "key_results" ADD CONSTRAINT "key_results_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "key_results" ADD CONSTRAINT "key_results_user_id_goal_id_goals_user_id_id_fk" FOREIGN KEY ("user_id","goal_id") REFERENCES "public"."goals"("user_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "milestones" ADD CONSTRAINT "milestones_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "milestones" ADD CONSTRAINT "milestones_user_id_goal_id_goals_user_id_id_fk" FOREIGN KEY ("user_id","goal_id") REFERENCES "public"."goals"("user_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "months" ADD CONSTRAINT "months_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "prompts" ADD CONSTRAINT "prompts_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "quotes" ADD CONSTRAINT "quotes_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reminders" ADD CONSTRAINT "reminders_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reminders" ADD CONSTRAINT "reminders_user_id_habit_id_habits_user_id_id_fk" FOREIGN KEY ("user_id","habit_id") REFERENCES "public"."habits"("user_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reviews" ADD CONSTRAINT "reviews_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reviews" ADD CONSTRAINT "reviews_user_id_season_id_seasons_user_id_id_fk" FOREIGN KEY ("user_id","season_id") REFERENCES "public"."seasons"("user_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "removals" ADD CONSTRAINT "removals_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "revisions" ADD CONSTRAINT "revisions_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rewards" ADD CONSTRAINT "rewards_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "seasons" ADD CONSTRAINT "seasons_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "settings" ADD CONSTRAINT "settings_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "steps" ADD CONSTRAINT "steps_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "steps" ADD CONSTRAINT "steps_user_id_goal_id_goals_user_id_id_fk" FOREIGN KEY ("user_id","goal_id") REFERENCES "public"."goals"("user_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "steps" ADD CONSTRAINT "steps_user_id_key_result_id_key_results_user_id_id_fk" FOREIGN KEY ("user_id","key_result_id") REFERENCES "public"."key_results"("user_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "steps" ADD CONSTRAINT "steps_user_id_parent_id_steps_user_id_id_fk" FOREIGN KEY ("user_id","parent_id") REFERENCES "public"."steps"("user_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "areas_by_revision" ON "areas" USING btree ("user_id","revision");--> statement-breakpoint
CREATE INDEX "check_ins_by_revision" ON "check_ins" USING btree ("user_id","revision");--> statement-breakpoint
CREATE INDEX "check_ins_by_key_result" ON "check_ins" USING btree ("user_id","key_result_id");--> statement-breakpoint
CREATE INDEX "claims_by_revision" ON "claims" USING btree ("user_id","revision");--> statement-breakpoint
CREATE INDEX "entries_by_revision" ON "entries" USING btree ("user_id","revision");--> statement-breakpoint
CREATE INDEX "goals_by_revision" ON "goals" USING btree ("user_id","revision");--> statement-breakpoint
CREATE INDEX "habit_notes_by_revision" ON "habit_notes" USING btree ("user_id","revision");--> statement-breakpoint
CREATE INDEX "habits_by_revision" ON "habits" USING btree ("user_id","revision");--> statement-breakpoint
CREATE INDEX "journal_by_revision" ON "journal" USING btree ("user_id","revision");--> statement-breakpoint
CREATE INDEX "key_results_by_revision" ON "key_results" USING btree ("user_id","revision");--> statement-breakpoint
CREATE INDEX "key_results_by_goal" ON "key_results" USING btree ("user_id","goal_id");--> statement-breakpoint
CREATE INDEX "milestones_by_revision" ON "milestones" USING btree ("user_id","revision");--> statement-breakpoint
CREATE INDEX "milestones_by_goal" ON "milestones" USING btree ("user_id","goal_id");--> statement-breakpoint
CREATE INDEX "months_by_revision" ON "months" USING btree ("user_id","revision");--> statement-breakpoint
CREATE INDEX "prompts_by_revision" ON "prompts" USING btree ("user_id","revision");--> statement-breakpoint
CREATE INDEX "quotes_by_revision" ON "quotes" USING btree ("user_id","revision");--> statement-breakpoint
CREATE INDEX "reminders_by_revision" ON "reminders" USING btree ("user_id","revision");--> statement-breakpoint
CREATE INDEX "reviews_by_revision" ON "reviews" USING btree ("user_id","revision");--> statement-breakpoint
CREATE INDEX "removals_by_revision" ON "removals" USING btree ("user_id","revision");--> statement-breakpoint
CREATE INDEX "rewards_by_revision" ON "rewards" USING btree ("user_id","revision");--> statement-breakpoint
CREATE INDEX "seasons_by_revision" ON "seasons" USING btree ("user_id","revision");--> statement-breakpoint
CREATE INDEX "steps_by_revision" ON "steps" USING btree ("user_id","revision");--> statement-breakpoint
CREATE INDEX "steps_by_goal" ON "steps" USING btree ("user_id","goal_id");