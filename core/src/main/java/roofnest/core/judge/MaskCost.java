package roofnest.core.judge;

import java.util.List;
import java.util.Set;

import roofnest.core.view.MaskCell;

/**
 * The smallest mask that keeps out of a camera's picture what is promised never to be shown, and what it costs.
 *
 * @param cells that have to be black; none where nothing of it is shown, or the model cannot mask
 * @param percent of the picture
 * @param lost promises that are kept less well with it, in words
 */
public record MaskCost(Set<MaskCell> cells, double percent, List<String> lost) {
    public MaskCost {
        cells = Set.copyOf(cells);
        lost = List.copyOf(lost);
    }
}
