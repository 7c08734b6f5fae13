package roofnest.core.view;

import java.util.regex.Pattern;

import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.LensSpec;

/** One cell of a model's mask grid, both counted from zero at the top left; written {@code C2}. */
public record MaskCell(int column, int row) implements Comparable<MaskCell> {
    private static final Pattern FORM = Pattern.compile("([A-Z])([1-9][0-9]?)");

    public static MaskCell parse(String text) {
        var matcher = FORM.matcher(text);
        if (!matcher.matches()) {
            throw new IllegalArgumentException("not a mask cell: " + text);
        }
        return new MaskCell(matcher.group(1).charAt(0) - 'A', Integer.parseInt(matcher.group(2)) - 1);
    }

    /** The cell under a pixel. */
    public static MaskCell under(Projection.Pixel pixel, LensSpec lens, DeviceModel.MaskGrid grid) {
        return new MaskCell(
                Math.min(grid.columns() - 1, (int) (pixel.x() / lens.widthPx() * grid.columns())),
                Math.min(grid.rows() - 1, (int) (pixel.y() / lens.heightPx() * grid.rows())));
    }

    @Override
    public int compareTo(MaskCell other) {
        return row != other.row ? Integer.compare(row, other.row) : Integer.compare(column, other.column);
    }

    @Override
    public String toString() {
        return (char) ('A' + column) + "" + (row + 1);
    }
}
