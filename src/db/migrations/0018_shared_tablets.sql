CREATE TABLE "shared_tablet" (
	"salon_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"token_hash" text NOT NULL,
	"lock_after_min" integer NOT NULL,
	"shared_by" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	CONSTRAINT "shared_tablet_salon_id_id_pk" PRIMARY KEY("salon_id","id")
);
--> statement-breakpoint
CREATE TABLE "staff_pin" (
	"salon_id" uuid NOT NULL,
	"staff_id" uuid NOT NULL,
	"hash" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "staff_pin_salon_id_staff_id_pk" PRIMARY KEY("salon_id","staff_id")
);
--> statement-breakpoint
ALTER TABLE "session" ADD COLUMN "tablet_id" uuid;--> statement-breakpoint
ALTER TABLE "shared_tablet" ADD CONSTRAINT "shared_tablet_salon_id_salon_id_fk" FOREIGN KEY ("salon_id") REFERENCES "public"."salon"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shared_tablet" ADD CONSTRAINT "shared_tablet_salon_id_shared_by_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","shared_by") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "staff_pin" ADD CONSTRAINT "staff_pin_salon_id_salon_id_fk" FOREIGN KEY ("salon_id") REFERENCES "public"."salon"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "staff_pin" ADD CONSTRAINT "staff_pin_salon_id_staff_id_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","staff_id") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "shared_tablet_word" ON "shared_tablet" USING btree ("salon_id","token_hash");--> statement-breakpoint
CREATE INDEX "session_tablet" ON "session" USING btree ("tablet_id");--> statement-breakpoint
CREATE TRIGGER "session_changed" AFTER UPDATE OF "tablet_id" ON "session" FOR EACH ROW EXECUTE FUNCTION "tell_who_changed"();
