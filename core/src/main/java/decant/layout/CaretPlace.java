package decant.layout;

import decant.layout.pages.Page;

/** Where a caret stands: a page, and an upright line on it, in points from its top left corner. */
public record CaretPlace(Page page, double x, double top, double height) {}
