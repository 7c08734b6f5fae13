package roofnest.app.secrets;

import java.io.Serial;

import roofnest.app.web.BadInput;

/** Nothing can be sealed: the key is lost, or another one. */
public class KeyAway extends BadInput {
    @Serial private static final long serialVersionUID = 1;

    KeyAway(Sealer.State state) {
        super(state.words() + " Until that is mended no password can be kept; everything else works. The owner sees on the page People "
                + "what can be done.");
    }
}
