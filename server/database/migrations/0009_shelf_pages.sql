ALTER TABLE `vintages` ADD `summary` text DEFAULT '{"periods":0,"missing":0,"last":null}' NOT NULL;--> statement-breakpoint
CREATE INDEX `series_by_name` ON `series` (substr(`name`, 1, 200), `id`);--> statement-breakpoint
DROP TRIGGER `vintages_never_change`;--> statement-breakpoint
-- Figures go from list to summary as they are written: read and written again, they would lose digits.
UPDATE `vintages` SET `summary` = json_object(
	'periods', json_array_length(`values`),
	'missing', (SELECT count(*) FROM json_each(`vintages`.`values`) AS `entry` WHERE `entry`.`type` = 'null'),
	'last', (
		SELECT json_object(
			't', `last` + 1,
			'value', json(`vintages`.`values` -> `last`),
			'yearBefore', json(`vintages`.`values` -> nullif(max(`last` - `seasons`, -1), -1))
		)
		FROM (
			SELECT max(`entry`.`key`) AS `last`
			FROM json_each(`vintages`.`values`) AS `entry`
			WHERE `entry`.`type` <> 'null'
		)
		JOIN `series` ON `series`.`id` = `vintages`.`series_id`
		WHERE `last` IS NOT NULL
	)
);--> statement-breakpoint
CREATE TRIGGER `vintages_never_change` BEFORE UPDATE ON `vintages`
BEGIN
	SELECT RAISE(ABORT, 'The original values of a series never change.');
END;
