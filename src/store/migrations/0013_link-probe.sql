CREATE TABLE `shell_probes` (
	`shell_id` text PRIMARY KEY NOT NULL,
	`version_id` text NOT NULL,
	`links` text NOT NULL,
	`probed_at` text NOT NULL,
	FOREIGN KEY (`shell_id`) REFERENCES `shells`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `switches` (
	`name` text PRIMARY KEY NOT NULL,
	`turned_on_at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `web_answers` (
	`url` text PRIMARY KEY NOT NULL,
	`state` text NOT NULL,
	`answer` text NOT NULL,
	`asked_at` text NOT NULL
);
