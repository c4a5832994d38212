"""Watch: films taken in, tracked, judged against the lifter's own computed way, talked over."""
