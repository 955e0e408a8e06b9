CREATE TABLE `catalogue_left` (
	`run_id` integer NOT NULL,
	`series_id` text NOT NULL,
	`behind` integer NOT NULL,
	PRIMARY KEY(`run_id`, `series_id`),
	FOREIGN KEY (`run_id`) REFERENCES `catalogue_runs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `catalogue_rows` (
	`series_id` text PRIMARY KEY NOT NULL,
	`worked_row` text NOT NULL,
	`stamp` text NOT NULL,
	`seen` text,
	`seen_note` text DEFAULT '' NOT NULL,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`series_id`) REFERENCES `series`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `catalogue_runs` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`state` text NOT NULL,
	`task` text NOT NULL,
	`series_in_all` integer NOT NULL,
	`created_at` integer NOT NULL
);
