DROP INDEX "run_event_id";--> statement-breakpoint
ALTER TABLE "salon" ADD COLUMN "time_zone" text DEFAULT 'UTC' NOT NULL;--> statement-breakpoint
ALTER TABLE "salon" ADD COLUMN "demo" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "run_event" ADD COLUMN "same" text;--> statement-breakpoint
ALTER TABLE "run_event" ADD COLUMN "turn" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
UPDATE "run_event" SET "same" = CASE
  WHEN "kind" IN ('begun', 'done', 'skipped', 'crossChecked') THEN ("event"->>'stepId') || '/' || "kind"
  WHEN "kind" = 'counted' THEN ("event"->>'stepId') || '/counted/' || ("event"->>'value')
  WHEN "kind" = 'undone' THEN 'undone/' || ("event"->>'undoes')
  WHEN "kind" = 'ended' THEN 'ended'
END;--> statement-breakpoint
UPDATE "run_event" SET "turn" = "numbered"."turn" FROM (
  SELECT "salon_id", "run_id", "seq", row_number() OVER (PARTITION BY "salon_id", "run_id", "same" ORDER BY "seq") - 1 AS "turn"
  FROM "run_event" WHERE "same" IS NOT NULL
) AS "numbered" WHERE "run_event"."salon_id" = "numbered"."salon_id" AND "run_event"."run_id" = "numbered"."run_id" AND "run_event"."seq" = "numbered"."seq";--> statement-breakpoint
CREATE UNIQUE INDEX "run_event_same" ON "run_event" USING btree ("salon_id","run_id","same","turn");--> statement-breakpoint
CREATE UNIQUE INDEX "run_event_id" ON "run_event" USING btree ("salon_id","run_id","id");--> statement-breakpoint
UPDATE "salon" SET "demo" = true WHERE "name" = 'The Slack Tide Room, Brindle Harbour';--> statement-breakpoint
CREATE TRIGGER "run_event_append_only" BEFORE UPDATE OR DELETE ON "run_event" FOR EACH ROW EXECUTE FUNCTION "refuse_change"();
