CREATE TABLE "learning_choice" (
	"salon_id" uuid NOT NULL,
	"staff_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"kind" text NOT NULL,
	"about" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "learning_choice_salon_id_staff_id_id_pk" PRIMARY KEY("salon_id","staff_id","id")
);
--> statement-breakpoint
CREATE TABLE "visit_review" (
	"salon_id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"staff_id" uuid NOT NULL,
	"worked" text NOT NULL,
	"change" text NOT NULL,
	"why" text NOT NULL,
	"shared" boolean NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "visit_review_salon_id_visit_id_staff_id_pk" PRIMARY KEY("salon_id","visit_id","staff_id")
);
--> statement-breakpoint
ALTER TABLE "visit" ADD COLUMN "summary" jsonb;--> statement-breakpoint
ALTER TABLE "visit" ADD COLUMN "figures" jsonb;--> statement-breakpoint
ALTER TABLE "mix" ADD COLUMN "left_tenths" integer;--> statement-breakpoint
ALTER TABLE "learning_choice" ADD CONSTRAINT "learning_choice_salon_id_staff_id_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","staff_id") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "visit_review" ADD CONSTRAINT "visit_review_salon_id_visit_id_visit_salon_id_id_fk" FOREIGN KEY ("salon_id","visit_id") REFERENCES "public"."visit"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "visit_review" ADD CONSTRAINT "visit_review_salon_id_staff_id_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","staff_id") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "visit_day" ON "visit" USING btree ("salon_id","on","id");--> statement-breakpoint
CREATE INDEX "visit_not_summed_up" ON "visit" USING btree ("salon_id") WHERE figures is null;--> statement-breakpoint
CREATE INDEX "run_visit" ON "run" USING btree ("salon_id","visit_id");