CREATE TABLE "booking" (
	"salon_id" uuid NOT NULL,
	"plan_id" uuid NOT NULL,
	"on" date NOT NULL,
	"staff_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "booking_salon_id_plan_id_pk" PRIMARY KEY("salon_id","plan_id")
);
--> statement-breakpoint
CREATE TABLE "mix" (
	"salon_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"plan_id" uuid NOT NULL,
	"formula_id" text NOT NULL,
	"bowl" integer NOT NULL,
	"planned" jsonb NOT NULL,
	"state" text DEFAULT 'weighing' NOT NULL,
	"staff_id" uuid NOT NULL,
	"started_at" timestamp with time zone DEFAULT now() NOT NULL,
	"ended_at" timestamp with time zone,
	CONSTRAINT "mix_salon_id_id_pk" PRIMARY KEY("salon_id","id")
);
--> statement-breakpoint
CREATE TABLE "mix_event" (
	"salon_id" uuid NOT NULL,
	"mix_id" uuid NOT NULL,
	"seq" integer NOT NULL,
	"id" uuid NOT NULL,
	"kind" text NOT NULL,
	"line" integer NOT NULL,
	"tenths" integer NOT NULL,
	"source" text NOT NULL,
	"staff_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "mix_event_salon_id_mix_id_seq_pk" PRIMARY KEY("salon_id","mix_id","seq")
);
--> statement-breakpoint
CREATE TABLE "product" (
	"salon_id" uuid NOT NULL,
	"id" text NOT NULL,
	"item" jsonb NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"deleted_at" timestamp with time zone,
	CONSTRAINT "product_salon_id_id_pk" PRIMARY KEY("salon_id","id")
);
--> statement-breakpoint
CREATE TABLE "salon_rates" (
	"salon_id" uuid PRIMARY KEY NOT NULL,
	"rates" jsonb NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "stock_lot" (
	"salon_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"product_id" text NOT NULL,
	"lot" text NOT NULL,
	"expires_on" date,
	"tenths" integer NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "stock_lot_salon_id_id_pk" PRIMARY KEY("salon_id","id")
);
--> statement-breakpoint
CREATE TABLE "stock_move" (
	"salon_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"product_id" text NOT NULL,
	"lot_id" uuid,
	"tenths" integer NOT NULL,
	"reason" text NOT NULL,
	"mix_id" uuid,
	"staff_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "stock_move_salon_id_id_pk" PRIMARY KEY("salon_id","id")
);
--> statement-breakpoint
ALTER TABLE "booking" ADD CONSTRAINT "booking_salon_id_plan_id_plan_salon_id_id_fk" FOREIGN KEY ("salon_id","plan_id") REFERENCES "public"."plan"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "booking" ADD CONSTRAINT "booking_salon_id_staff_id_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","staff_id") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "mix" ADD CONSTRAINT "mix_salon_id_plan_id_plan_salon_id_id_fk" FOREIGN KEY ("salon_id","plan_id") REFERENCES "public"."plan"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "mix" ADD CONSTRAINT "mix_salon_id_staff_id_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","staff_id") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "mix_event" ADD CONSTRAINT "mix_event_salon_id_mix_id_mix_salon_id_id_fk" FOREIGN KEY ("salon_id","mix_id") REFERENCES "public"."mix"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "mix_event" ADD CONSTRAINT "mix_event_salon_id_staff_id_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","staff_id") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "product" ADD CONSTRAINT "product_salon_id_salon_id_fk" FOREIGN KEY ("salon_id") REFERENCES "public"."salon"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "salon_rates" ADD CONSTRAINT "salon_rates_salon_id_salon_id_fk" FOREIGN KEY ("salon_id") REFERENCES "public"."salon"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_lot" ADD CONSTRAINT "stock_lot_salon_id_product_id_product_salon_id_id_fk" FOREIGN KEY ("salon_id","product_id") REFERENCES "public"."product"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_move" ADD CONSTRAINT "stock_move_salon_id_product_id_product_salon_id_id_fk" FOREIGN KEY ("salon_id","product_id") REFERENCES "public"."product"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_move" ADD CONSTRAINT "stock_move_salon_id_lot_id_stock_lot_salon_id_id_fk" FOREIGN KEY ("salon_id","lot_id") REFERENCES "public"."stock_lot"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_move" ADD CONSTRAINT "stock_move_salon_id_staff_id_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","staff_id") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "booking_day" ON "booking" USING btree ("salon_id","on");--> statement-breakpoint
CREATE INDEX "mix_plan" ON "mix" USING btree ("salon_id","plan_id","started_at");--> statement-breakpoint
CREATE UNIQUE INDEX "mix_event_id" ON "mix_event" USING btree ("salon_id","id");--> statement-breakpoint
CREATE UNIQUE INDEX "stock_lot_name" ON "stock_lot" USING btree ("salon_id","product_id","lot");--> statement-breakpoint
CREATE INDEX "stock_lot_left" ON "stock_lot" USING btree ("salon_id","product_id") WHERE tenths > 0;--> statement-breakpoint
CREATE INDEX "stock_move_product" ON "stock_move" USING btree ("salon_id","product_id","at");--> statement-breakpoint
CREATE TRIGGER "stock_move_append_only" BEFORE UPDATE OR DELETE ON "stock_move" FOR EACH ROW EXECUTE FUNCTION "refuse_change"();
--> statement-breakpoint
CREATE TRIGGER "mix_event_append_only" BEFORE UPDATE OR DELETE ON "mix_event" FOR EACH ROW EXECUTE FUNCTION "refuse_change"();
