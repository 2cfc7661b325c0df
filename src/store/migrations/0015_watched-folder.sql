CREATE TABLE `watched_folders` (
	`id` text PRIMARY KEY NOT NULL,
	`path` text NOT NULL,
	`since` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `watched_packages` (
	`path` text PRIMARY KEY NOT NULL,
	`stamp` text NOT NULL,
	`job_id` text NOT NULL,
	`taken_at` text NOT NULL
);
