"""What must still happen: kept runs, played again after every change."""
