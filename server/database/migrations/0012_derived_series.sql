CREATE TABLE `derived_series` (
	`series_id` text PRIMARY KEY NOT NULL,
	`from_id` text,
	`ledger_row` text NOT NULL,
	`label` text NOT NULL,
	`method` text NOT NULL,
	`stamp` text NOT NULL,
	`problem` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`series_id`) REFERENCES `series`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`from_id`) REFERENCES `series`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `derived_series_from` ON `derived_series` (`from_id`);