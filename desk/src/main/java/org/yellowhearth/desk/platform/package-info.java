/** What the platform does for a window: file dialogs, printers, sounds, notices. */
package org.yellowhearth.desk.platform;
