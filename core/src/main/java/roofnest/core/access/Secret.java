package roofnest.core.access;

import roofnest.core.lang.Require;

/**
 * Something that lets in whoever knows it, whatever their name: it is told once and taken back only by changing it.
 *
 * @param id of the network, the camera, the hub, or of the person whose account it is
 * @param name as it is called in a sentence, such as "the Wi-Fi password of Weir House"
 * @param hubModel key of the hub's model; empty for the others
 */
public record Secret(Kind kind, long id, String name, String hubModel) {
    /** What a secret belongs to. */
    public enum Kind { WIFI, DEVICE, HUB, ACCOUNT }

    public Secret {
        name = Require.text("name of a secret", name, 200);
    }

    /** Of anything but a hub. */
    public Secret(Kind kind, long id, String name) {
        this(kind, id, name, "");
    }

    /** Whether it is the same one, however it is called by now. */
    public boolean is(Secret other) {
        return kind == other.kind && id == other.id;
    }
}
