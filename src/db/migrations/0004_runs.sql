CREATE TABLE "run" (
	"salon_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"plan_id" uuid NOT NULL,
	"plan_revision" integer NOT NULL,
	"script" jsonb NOT NULL,
	"staff_id" uuid NOT NULL,
	"started_at" timestamp with time zone DEFAULT now() NOT NULL,
	"ended_at" timestamp with time zone,
	CONSTRAINT "run_salon_id_id_pk" PRIMARY KEY("salon_id","id")
);
--> statement-breakpoint
CREATE TABLE "run_event" (
	"salon_id" uuid NOT NULL,
	"run_id" uuid NOT NULL,
	"seq" integer NOT NULL,
	"id" uuid NOT NULL,
	"kind" text NOT NULL,
	"event" jsonb NOT NULL,
	"staff_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "run_event_salon_id_run_id_seq_pk" PRIMARY KEY("salon_id","run_id","seq")
);
--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_salon_id_plan_id_plan_salon_id_id_fk" FOREIGN KEY ("salon_id","plan_id") REFERENCES "public"."plan"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_salon_id_staff_id_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","staff_id") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run_event" ADD CONSTRAINT "run_event_salon_id_run_id_run_salon_id_id_fk" FOREIGN KEY ("salon_id","run_id") REFERENCES "public"."run"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run_event" ADD CONSTRAINT "run_event_salon_id_staff_id_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","staff_id") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "run_plan" ON "run" USING btree ("salon_id","plan_id","started_at");--> statement-breakpoint
CREATE UNIQUE INDEX "run_event_id" ON "run_event" USING btree ("salon_id","id");