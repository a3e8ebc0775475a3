CREATE TABLE "message" (
	"salon_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"text" text NOT NULL,
	"staff_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"sent_at" timestamp with time zone,
	CONSTRAINT "message_salon_id_id_pk" PRIMARY KEY("salon_id","id")
);
--> statement-breakpoint
CREATE TABLE "message_template" (
	"salon_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"text" text NOT NULL,
	"staff_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "message_template_salon_id_kind_pk" PRIMARY KEY("salon_id","kind")
);
--> statement-breakpoint
ALTER TABLE "picture" ADD COLUMN "of" jsonb;--> statement-breakpoint
ALTER TABLE "visit" ADD COLUMN "told" jsonb;--> statement-breakpoint
ALTER TABLE "visit" ADD COLUMN "withdrawn_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "visit" ADD COLUMN "withdrawn_by" uuid;--> statement-breakpoint
ALTER TABLE "visit" ADD COLUMN "changes" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "message" ADD CONSTRAINT "message_salon_id_client_id_client_salon_id_id_fk" FOREIGN KEY ("salon_id","client_id") REFERENCES "public"."client"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "message" ADD CONSTRAINT "message_salon_id_staff_id_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","staff_id") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "message_template" ADD CONSTRAINT "message_template_salon_id_staff_id_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","staff_id") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "message_client" ON "message" USING btree ("salon_id","client_id","at");
--> statement-breakpoint
-- What was worked out before is worked out anew: minutes of visits without the chair, and bills in short.
UPDATE "visit" SET "summary" = NULL, "figures" = NULL;
