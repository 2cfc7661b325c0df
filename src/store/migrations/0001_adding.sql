CREATE TABLE `incomings` (
	`id` text PRIMARY KEY NOT NULL,
	`shell_id` text NOT NULL,
	`package_name` text NOT NULL,
	`package_hash` text NOT NULL,
	`title` text NOT NULL,
	`version_id` text NOT NULL,
	`state_blob` text NOT NULL,
	`preview_blob` text NOT NULL,
	`intake` text NOT NULL,
	`created_at` text NOT NULL,
	FOREIGN KEY (`shell_id`) REFERENCES `shells`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `incomings_shell_id_unique` ON `incomings` (`shell_id`);--> statement-breakpoint
CREATE TABLE `sheet_columns` (
	`name` text PRIMARY KEY NOT NULL,
	`means` text NOT NULL
);
--> statement-breakpoint
ALTER TABLE `runs` ADD `kind` text DEFAULT 'plan' NOT NULL;--> statement-breakpoint
ALTER TABLE `runs` ADD `package_name` text;--> statement-breakpoint
ALTER TABLE `runs` ADD `package_hash` text;--> statement-breakpoint
ALTER TABLE `shells` ADD `package_hash` text DEFAULT '' NOT NULL;