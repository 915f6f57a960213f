/**
 * A stand-in for the banks of the made-up household. Its wire format follows the
 * account-information part of the Berlin Group's NextGenPSD2 XS2A framework, version 1.3; the
 * directory of institutions and the switches for faults are its own.
 */
@NullMarked
package org.yewledger.bank;

import org.jspecify.annotations.NullMarked;
