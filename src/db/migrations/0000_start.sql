CREATE TABLE "account" (
	"id" text PRIMARY KEY NOT NULL,
	"account_id" text NOT NULL,
	"provider_id" text NOT NULL,
	"user_id" text NOT NULL,
	"access_token" text,
	"refresh_token" text,
	"id_token" text,
	"access_token_expires_at" timestamp with time zone,
	"refresh_token_expires_at" timestamp with time zone,
	"scope" text,
	"password" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "session" (
	"id" text PRIMARY KEY NOT NULL,
	"user_id" text NOT NULL,
	"token" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"ip_address" text,
	"user_agent" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "session_token_unique" UNIQUE("token")
);
--> statement-breakpoint
CREATE TABLE "user" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"email" text NOT NULL,
	"email_verified" boolean DEFAULT false NOT NULL,
	"image" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "user_email_unique" UNIQUE("email")
);
--> statement-breakpoint
CREATE TABLE "verification" (
	"id" text PRIMARY KEY NOT NULL,
	"identifier" text NOT NULL,
	"value" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "caution_acknowledgement" (
	"salon_id" uuid NOT NULL,
	"plan_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"caution_id" text NOT NULL,
	"text" text NOT NULL,
	"reason" text NOT NULL,
	"plan_revision" integer NOT NULL,
	"staff_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "caution_acknowledgement_salon_id_plan_id_id_pk" PRIMARY KEY("salon_id","plan_id","id")
);
--> statement-breakpoint
CREATE TABLE "plan" (
	"salon_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	"name" text NOT NULL,
	"document" jsonb NOT NULL,
	"revision" integer DEFAULT 0 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	CONSTRAINT "plan_salon_id_id_pk" PRIMARY KEY("salon_id","id")
);
--> statement-breakpoint
CREATE TABLE "plan_edit" (
	"salon_id" uuid NOT NULL,
	"plan_id" uuid NOT NULL,
	"revision" integer NOT NULL,
	"id" uuid NOT NULL,
	"kind" text NOT NULL,
	"label" text NOT NULL,
	"patches" jsonb NOT NULL,
	"inverse" jsonb NOT NULL,
	"target" uuid,
	"state" text NOT NULL,
	"staff_id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "plan_edit_salon_id_plan_id_revision_pk" PRIMARY KEY("salon_id","plan_id","revision")
);
--> statement-breakpoint
CREATE TABLE "plan_version" (
	"salon_id" uuid NOT NULL,
	"plan_id" uuid NOT NULL,
	"number" integer NOT NULL,
	"label" text NOT NULL,
	"document" jsonb NOT NULL,
	"staff_id" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "plan_version_salon_id_plan_id_number_pk" PRIMARY KEY("salon_id","plan_id","number")
);
--> statement-breakpoint
CREATE TABLE "client" (
	"salon_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"note" text NOT NULL,
	"head" jsonb NOT NULL,
	"hair" jsonb NOT NULL,
	"revision" integer DEFAULT 0 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone,
	CONSTRAINT "client_salon_id_id_pk" PRIMARY KEY("salon_id","id")
);
--> statement-breakpoint
CREATE TABLE "salon" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "staff" (
	"salon_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"user_id" text NOT NULL,
	"name" text NOT NULL,
	"role" text NOT NULL,
	CONSTRAINT "staff_salon_id_id_pk" PRIMARY KEY("salon_id","id")
);
--> statement-breakpoint
ALTER TABLE "account" ADD CONSTRAINT "account_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "session" ADD CONSTRAINT "session_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "caution_acknowledgement" ADD CONSTRAINT "caution_acknowledgement_salon_id_plan_id_plan_salon_id_id_fk" FOREIGN KEY ("salon_id","plan_id") REFERENCES "public"."plan"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "caution_acknowledgement" ADD CONSTRAINT "caution_acknowledgement_salon_id_staff_id_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","staff_id") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan" ADD CONSTRAINT "plan_salon_id_salon_id_fk" FOREIGN KEY ("salon_id") REFERENCES "public"."salon"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan" ADD CONSTRAINT "plan_salon_id_client_id_client_salon_id_id_fk" FOREIGN KEY ("salon_id","client_id") REFERENCES "public"."client"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan_edit" ADD CONSTRAINT "plan_edit_salon_id_plan_id_plan_salon_id_id_fk" FOREIGN KEY ("salon_id","plan_id") REFERENCES "public"."plan"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan_edit" ADD CONSTRAINT "plan_edit_salon_id_staff_id_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","staff_id") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan_version" ADD CONSTRAINT "plan_version_salon_id_plan_id_plan_salon_id_id_fk" FOREIGN KEY ("salon_id","plan_id") REFERENCES "public"."plan"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan_version" ADD CONSTRAINT "plan_version_salon_id_staff_id_staff_salon_id_id_fk" FOREIGN KEY ("salon_id","staff_id") REFERENCES "public"."staff"("salon_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "client" ADD CONSTRAINT "client_salon_id_salon_id_fk" FOREIGN KEY ("salon_id") REFERENCES "public"."salon"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "staff" ADD CONSTRAINT "staff_salon_id_salon_id_fk" FOREIGN KEY ("salon_id") REFERENCES "public"."salon"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "staff" ADD CONSTRAINT "staff_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "plan_client" ON "plan" USING btree ("salon_id","client_id","updated_at");--> statement-breakpoint
CREATE UNIQUE INDEX "plan_edit_id" ON "plan_edit" USING btree ("salon_id","plan_id","id");--> statement-breakpoint
CREATE INDEX "client_name" ON "client" USING btree ("salon_id","name");--> statement-breakpoint
CREATE UNIQUE INDEX "staff_user" ON "staff" USING btree ("user_id");