CREATE TABLE "calendar_feed" (
	"salon_id" uuid NOT NULL,
	"staff_id" uuid NOT NULL,
	"token_hash" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "calendar_feed_salon_id_staff_id_pk" PRIMARY KEY("salon_id","staff_id")
);
--> statement-breakpoint
ALTER TABLE "calendar_feed" ADD CONSTRAINT "calendar_feed_salon_id_salon_id_fk" FOREIGN KEY ("salon_id") REFERENCES "public"."salon"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "calendar_feed" ADD CONSTRAINT "calendar_feed_salon_id_staff_id_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","staff_id") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;