CREATE TABLE `host_names` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`shell_id` text NOT NULL,
	`ref` text NOT NULL,
	`there` text NOT NULL,
	FOREIGN KEY (`shell_id`) REFERENCES `shells`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `host_names_by_name` ON `host_names` (`shell_id`,`there`);--> statement-breakpoint
CREATE TABLE `hosts` (
	`id` text PRIMARY KEY NOT NULL,
	`address` text NOT NULL,
	`name` text NOT NULL,
	`secret` text NOT NULL,
	`account` text NOT NULL,
	`created_at` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `hosts_by_address` ON `hosts` (`address`,`name`);--> statement-breakpoint
CREATE TABLE `run_batches` (
	`run_id` text NOT NULL,
	`number` integer NOT NULL,
	`state` text NOT NULL,
	`outcomes` text,
	`at` text NOT NULL,
	PRIMARY KEY(`run_id`, `number`),
	FOREIGN KEY (`run_id`) REFERENCES `runs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `run_notes` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`run_id` text NOT NULL,
	`kind` text NOT NULL,
	`message` text NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`run_id`) REFERENCES `runs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `run_notes_by_run` ON `run_notes` (`run_id`);--> statement-breakpoint
ALTER TABLE `runs` ADD `place` text DEFAULT 'store' NOT NULL;--> statement-breakpoint
ALTER TABLE `runs` ADD `wish` text DEFAULT 'go' NOT NULL;--> statement-breakpoint
ALTER TABLE `runs` ADD `task` text;--> statement-breakpoint
ALTER TABLE `runs` ADD `lines` integer;--> statement-breakpoint
ALTER TABLE `shells` ADD `host_id` text REFERENCES hosts(id);--> statement-breakpoint
ALTER TABLE `shells` ADD `host_shell` text;