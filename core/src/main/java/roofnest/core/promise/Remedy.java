package roofnest.core.promise;

import roofnest.core.lang.Require;

/**
 * Something that would better a finding.
 *
 * @param action what to do, as an instruction
 * @param effect what it would change, with its figure and unit
 */
public record Remedy(String action, String effect) {
    public Remedy {
        action = Require.text("remedy", action, 200);
        effect = Require.text("effect", effect, 200);
    }
}
