"""Files from elsewhere, read apart: in a process with little memory and time, which may die without harm."""
