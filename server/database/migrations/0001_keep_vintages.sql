CREATE TRIGGER `vintages_never_change` BEFORE UPDATE ON `vintages`
BEGIN
	SELECT RAISE(ABORT, 'The original values of a series never change.');
END;
