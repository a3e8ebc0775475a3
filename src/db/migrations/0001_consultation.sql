CREATE TABLE "care_check" (
	"salon_id" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"kind" text NOT NULL,
	"on" date NOT NULL,
	"result" text NOT NULL,
	"product" text NOT NULL,
	"note" text NOT NULL,
	"expires_on" date,
	"staff_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "care_check_salon_id_client_id_id_pk" PRIMARY KEY("salon_id","client_id","id")
);
--> statement-breakpoint
CREATE TABLE "consent" (
	"salon_id" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"on" date NOT NULL,
	"text_version" text NOT NULL,
	"strokes" jsonb NOT NULL,
	"staff_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "consent_salon_id_client_id_id_pk" PRIMARY KEY("salon_id","client_id","id")
);
--> statement-breakpoint
CREATE TABLE "consultation" (
	"salon_id" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	"number" integer NOT NULL,
	"kind" text NOT NULL,
	"recorded_on" date NOT NULL,
	"hair" jsonb NOT NULL,
	"canvas" jsonb NOT NULL,
	"goal" jsonb NOT NULL,
	"trimmed_cm" real DEFAULT 0 NOT NULL,
	"corrections" jsonb NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"staff_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "consultation_salon_id_client_id_number_pk" PRIMARY KEY("salon_id","client_id","number")
);
--> statement-breakpoint
CREATE TABLE "picture" (
	"salon_id" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"mime" text NOT NULL,
	"width_px" integer NOT NULL,
	"height_px" integer NOT NULL,
	"bytes" integer NOT NULL,
	"sha256" text NOT NULL,
	"source_sha256" text NOT NULL,
	"staff_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	CONSTRAINT "picture_salon_id_client_id_id_pk" PRIMARY KEY("salon_id","client_id","id")
);
--> statement-breakpoint
CREATE TABLE "picture_bytes" (
	"salon_id" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	"picture_id" uuid NOT NULL,
	"size" text NOT NULL,
	"mime" text NOT NULL,
	"data" "bytea" NOT NULL,
	CONSTRAINT "picture_bytes_salon_id_client_id_picture_id_size_pk" PRIMARY KEY("salon_id","client_id","picture_id","size")
);
--> statement-breakpoint
CREATE TABLE "visit" (
	"salon_id" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"plan_id" uuid NOT NULL,
	"plan_version" integer NOT NULL,
	"on" date NOT NULL,
	"staff_id" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "visit_salon_id_id_pk" PRIMARY KEY("salon_id","id")
);
--> statement-breakpoint
ALTER TABLE "care_check" ADD CONSTRAINT "care_check_salon_id_client_id_client_salon_id_id_fk" FOREIGN KEY ("salon_id","client_id") REFERENCES "public"."client"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "care_check" ADD CONSTRAINT "care_check_salon_id_staff_id_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","staff_id") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "consent" ADD CONSTRAINT "consent_salon_id_client_id_client_salon_id_id_fk" FOREIGN KEY ("salon_id","client_id") REFERENCES "public"."client"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "consent" ADD CONSTRAINT "consent_salon_id_staff_id_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","staff_id") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "consultation" ADD CONSTRAINT "consultation_salon_id_client_id_client_salon_id_id_fk" FOREIGN KEY ("salon_id","client_id") REFERENCES "public"."client"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "consultation" ADD CONSTRAINT "consultation_salon_id_staff_id_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","staff_id") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "picture" ADD CONSTRAINT "picture_salon_id_client_id_client_salon_id_id_fk" FOREIGN KEY ("salon_id","client_id") REFERENCES "public"."client"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "picture" ADD CONSTRAINT "picture_salon_id_staff_id_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","staff_id") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "picture_bytes" ADD CONSTRAINT "picture_bytes_salon_id_client_id_picture_id_picture_salon_id_client_id_id_fk" FOREIGN KEY ("salon_id","client_id","picture_id") REFERENCES "public"."picture"("salon_id","client_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "visit" ADD CONSTRAINT "visit_salon_id_client_id_client_salon_id_id_fk" FOREIGN KEY ("salon_id","client_id") REFERENCES "public"."client"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "visit" ADD CONSTRAINT "visit_salon_id_plan_id_plan_salon_id_id_fk" FOREIGN KEY ("salon_id","plan_id") REFERENCES "public"."plan"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "visit" ADD CONSTRAINT "visit_salon_id_plan_id_plan_version_plan_version_salon_id_plan_id_number_fk" FOREIGN KEY ("salon_id","plan_id","plan_version") REFERENCES "public"."plan_version"("salon_id","plan_id","number") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "visit" ADD CONSTRAINT "visit_salon_id_staff_id_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","staff_id") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "picture_source" ON "picture" USING btree ("salon_id","client_id","source_sha256");--> statement-breakpoint
CREATE INDEX "visit_client" ON "visit" USING btree ("salon_id","client_id","on");--> statement-breakpoint
CREATE FUNCTION "refuse_change"() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'rows of % are only ever added', TG_TABLE_NAME;
END
$$;
--> statement-breakpoint
CREATE TRIGGER "care_check_append_only" BEFORE UPDATE OR DELETE ON "care_check" FOR EACH ROW EXECUTE FUNCTION "refuse_change"();
--> statement-breakpoint
CREATE TRIGGER "consent_append_only" BEFORE UPDATE OR DELETE ON "consent" FOR EACH ROW EXECUTE FUNCTION "refuse_change"();
--> statement-breakpoint
CREATE TRIGGER "caution_acknowledgement_append_only" BEFORE UPDATE OR DELETE ON "caution_acknowledgement" FOR EACH ROW EXECUTE FUNCTION "refuse_change"();
