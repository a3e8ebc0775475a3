CREATE TABLE "salon_layout" (
	"salon_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"sections" jsonb NOT NULL,
	"staff_id" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	CONSTRAINT "salon_layout_salon_id_id_pk" PRIMARY KEY("salon_id","id")
);
--> statement-breakpoint
ALTER TABLE "salon_layout" ADD CONSTRAINT "salon_layout_salon_id_salon_id_fk" FOREIGN KEY ("salon_id") REFERENCES "public"."salon"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "salon_layout" ADD CONSTRAINT "salon_layout_salon_id_staff_id_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","staff_id") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "salon_layout_name" ON "salon_layout" USING btree ("salon_id","name") WHERE deleted_at is null;