-- What is open keeps less long than what is closed: the day it was opened, and the months that its label says.
alter table lot
	add column opened_on date,
	add column open_months integer check (open_months between 1 and 120);
