CREATE TABLE "rate_limit" (
	"id" text PRIMARY KEY NOT NULL,
	"key" text NOT NULL,
	"count" integer NOT NULL,
	"last_request" bigint NOT NULL,
	CONSTRAINT "rate_limit_key_unique" UNIQUE("key")
);
--> statement-breakpoint
CREATE TABLE "two_factor" (
	"id" text PRIMARY KEY NOT NULL,
	"secret" text NOT NULL,
	"backup_codes" text NOT NULL,
	"user_id" text NOT NULL,
	"verified" boolean DEFAULT true NOT NULL,
	"failed_verification_count" integer DEFAULT 0 NOT NULL,
	"locked_until" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "audit_entry" (
	"salon_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"staff_id" uuid NOT NULL,
	"what" text NOT NULL,
	"about" text NOT NULL,
	"from" text NOT NULL,
	"request_id" text NOT NULL,
	CONSTRAINT "audit_entry_salon_id_id_pk" PRIMARY KEY("salon_id","id")
);
--> statement-breakpoint
CREATE TABLE "invitation" (
	"salon_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"token_hash" text NOT NULL,
	"email" text NOT NULL,
	"name" text NOT NULL,
	"role" text NOT NULL,
	"invited_by" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"closed_at" timestamp with time zone,
	CONSTRAINT "invitation_salon_id_id_pk" PRIMARY KEY("salon_id","id")
);
--> statement-breakpoint
DROP INDEX "staff_user";--> statement-breakpoint
ALTER TABLE "user" ADD COLUMN "salon_id" uuid;--> statement-breakpoint
ALTER TABLE "user" ADD COLUMN "two_factor_enabled" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "salon" ADD COLUMN "country" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "salon" ADD COLUMN "owners_need_second_factor" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "staff" ADD COLUMN "deactivated_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "two_factor" ADD CONSTRAINT "two_factor_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "audit_entry" ADD CONSTRAINT "audit_entry_salon_id_salon_id_fk" FOREIGN KEY ("salon_id") REFERENCES "public"."salon"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "audit_entry" ADD CONSTRAINT "audit_entry_salon_id_staff_id_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","staff_id") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invitation" ADD CONSTRAINT "invitation_salon_id_salon_id_fk" FOREIGN KEY ("salon_id") REFERENCES "public"."salon"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invitation" ADD CONSTRAINT "invitation_salon_id_invited_by_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","invited_by") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "two_factor_user" ON "two_factor" USING btree ("user_id");--> statement-breakpoint
CREATE INDEX "audit_at" ON "audit_entry" USING btree ("salon_id","at");--> statement-breakpoint
CREATE INDEX "audit_about" ON "audit_entry" USING btree ("salon_id","about","at");--> statement-breakpoint
CREATE INDEX "invitation_open" ON "invitation" USING btree ("salon_id","closed_at");--> statement-breakpoint
CREATE INDEX "account_user" ON "account" USING btree ("user_id");--> statement-breakpoint
CREATE INDEX "session_user" ON "session" USING btree ("user_id");--> statement-breakpoint
CREATE INDEX "session_expires" ON "session" USING btree ("expires_at");--> statement-breakpoint
CREATE UNIQUE INDEX "staff_user" ON "staff" USING btree ("salon_id","user_id");--> statement-breakpoint
UPDATE "user" SET "salon_id" = "staff"."salon_id" FROM "staff" WHERE "staff"."user_id" = "user"."id";--> statement-breakpoint
CREATE OR REPLACE FUNCTION "refuse_change"() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  -- Only an erasure that says so, within its own transaction, may take rows away.
  IF TG_OP = 'DELETE' AND current_setting('falto.erasing', true) = 'yes' THEN RETURN OLD; END IF;
  RAISE EXCEPTION 'rows of % are only ever added', TG_TABLE_NAME;
END
$$;
--> statement-breakpoint
CREATE TRIGGER "audit_entry_append_only" BEFORE UPDATE OR DELETE ON "audit_entry" FOR EACH ROW EXECUTE FUNCTION "refuse_change"();
--> statement-breakpoint
CREATE FUNCTION "tell_who_changed"() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM pg_notify('falto_who', TG_TABLE_NAME || ' ' || OLD.id::text);
  RETURN NULL;
END
$$;
--> statement-breakpoint
CREATE TRIGGER "session_ended" AFTER DELETE ON "session" FOR EACH ROW EXECUTE FUNCTION "tell_who_changed"();
--> statement-breakpoint
CREATE TRIGGER "staff_changed" AFTER UPDATE OR DELETE ON "staff" FOR EACH ROW EXECUTE FUNCTION "tell_who_changed"();
--> statement-breakpoint
CREATE TRIGGER "salon_changed" AFTER UPDATE OR DELETE ON "salon" FOR EACH ROW EXECUTE FUNCTION "tell_who_changed"();
