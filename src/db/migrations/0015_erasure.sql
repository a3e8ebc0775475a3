CREATE TABLE "erased_visit" (
	"salon_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"on" date NOT NULL,
	"staff_id" uuid NOT NULL,
	"figures" jsonb NOT NULL,
	CONSTRAINT "erased_visit_salon_id_id_pk" PRIMARY KEY("salon_id","id")
);
--> statement-breakpoint
ALTER TABLE "erased_visit" ADD CONSTRAINT "erased_visit_salon_id_staff_id_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","staff_id") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "erased_visit_day" ON "erased_visit" USING btree ("salon_id","on");