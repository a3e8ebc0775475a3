CREATE TABLE "plan_edit_log" (
	"salon_id" uuid NOT NULL,
	"plan_id" uuid NOT NULL,
	"rows" jsonb NOT NULL,
	CONSTRAINT "plan_edit_log_salon_id_plan_id_pk" PRIMARY KEY("salon_id","plan_id")
);
--> statement-breakpoint
CREATE TABLE "run_log" (
	"salon_id" uuid NOT NULL,
	"run_id" uuid NOT NULL,
	"rows" jsonb NOT NULL,
	CONSTRAINT "run_log_salon_id_run_id_pk" PRIMARY KEY("salon_id","run_id")
);
--> statement-breakpoint
ALTER TABLE "plan" ADD COLUMN "folded" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "run" ADD COLUMN "folded" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "plan_edit_log" ADD CONSTRAINT "plan_edit_log_salon_id_plan_id_plan_salon_id_id_fk" FOREIGN KEY ("salon_id","plan_id") REFERENCES "public"."plan"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run_log" ADD CONSTRAINT "run_log_salon_id_run_id_run_salon_id_id_fk" FOREIGN KEY ("salon_id","run_id") REFERENCES "public"."run"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "plan_unfolded" ON "plan" USING btree ("salon_id","updated_at") WHERE not "plan"."folded";--> statement-breakpoint
CREATE INDEX "run_unfolded" ON "run" USING btree ("salon_id","ended_at") WHERE not "run"."folded";--> statement-breakpoint
CREATE VIEW "run_event_told" AS
SELECT * FROM "run_event" UNION ALL
SELECT "salon_id", "run_id", "told".* FROM "run_log",
  jsonb_to_recordset("rows") AS "told"("seq" integer, "id" uuid, "kind" text, "event" jsonb, "staff_id" uuid, "at" timestamp with time zone, "same" text, "turn" integer);
--> statement-breakpoint
CREATE VIEW "plan_edit_made" AS
SELECT * FROM "plan_edit" UNION ALL
SELECT "salon_id", "plan_id", "made".* FROM "plan_edit_log",
  jsonb_to_recordset("rows") AS "made"("revision" integer, "id" uuid, "kind" text, "label" text, "patches" jsonb, "inverse" jsonb, "target" uuid, "state" text, "staff_id" uuid, "at" timestamp with time zone);
--> statement-breakpoint
CREATE OR REPLACE FUNCTION "refuse_change"() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  -- Only an erasure that says so, within its own transaction, may take rows away.
  IF TG_OP = 'DELETE' AND current_setting('falto.erasing', true) = 'yes' THEN RETURN OLD; END IF;
  -- Likewise a log that goes into a document and back.
  IF TG_OP = 'DELETE' AND TG_TABLE_NAME IN ('run_event', 'run_log') AND current_setting('falto.folding', true) = 'yes' THEN RETURN OLD; END IF;
  RAISE EXCEPTION 'rows of % are only ever added', TG_TABLE_NAME;
END
$$;
--> statement-breakpoint
CREATE TRIGGER "run_log_append_only" BEFORE UPDATE OR DELETE ON "run_log" FOR EACH ROW EXECUTE FUNCTION "refuse_change"();
