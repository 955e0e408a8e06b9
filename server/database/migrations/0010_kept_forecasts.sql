CREATE TABLE `agreed_forecasts` (
	`series_id` text PRIMARY KEY NOT NULL,
	`kept_id` text NOT NULL,
	FOREIGN KEY (`series_id`) REFERENCES `series`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`kept_id`) REFERENCES `kept_forecasts`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `kept_forecasts` (
	`id` text PRIMARY KEY NOT NULL,
	`series_id` text NOT NULL,
	`name` text NOT NULL,
	`note` text NOT NULL,
	`series_then` text NOT NULL,
	`method` text NOT NULL,
	`forecast` text NOT NULL,
	`version` text NOT NULL,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`series_id`) REFERENCES `series`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `kept_forecasts_of_series` ON `kept_forecasts` (`series_id`);--> statement-breakpoint
CREATE TRIGGER `kept_forecasts_never_change` BEFORE UPDATE ON `kept_forecasts`
BEGIN
	SELECT RAISE(ABORT, 'A kept forecast is never altered.');
END;
