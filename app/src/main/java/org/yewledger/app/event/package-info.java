/** What is pushed to open windows: that the books have changed, and how far long work has come. */
@NullMarked
package org.yewledger.app.event;

import org.jspecify.annotations.NullMarked;
