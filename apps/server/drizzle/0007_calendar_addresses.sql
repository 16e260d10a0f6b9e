CREATE TABLE "calendar_addresses" (
	"user_id" text PRIMARY KEY NOT NULL,
	"secret_hash" text NOT NULL,
	"shows" json NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	CONSTRAINT "calendar_addresses_secretHash_unique" UNIQUE("secret_hash")
);
--> statement-breakpoint
ALTER TABLE "calendar_addresses" ADD CONSTRAINT "calendar_addresses_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;