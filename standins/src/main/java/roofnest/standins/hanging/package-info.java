/** How stand-in cameras hang. May use the poses of {@code core.view}, and nothing of the devices that pair. */
package roofnest.standins.hanging;
