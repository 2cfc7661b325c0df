CREATE TABLE `next_times` (
	`course` text NOT NULL,
	`area` text NOT NULL,
	`title` text NOT NULL,
	`did` text NOT NULL,
	`shell_id` text NOT NULL,
	`kept_at` text NOT NULL,
	PRIMARY KEY(`course`, `area`, `title`)
);
