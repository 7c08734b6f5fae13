package roofnest.core.week;

import roofnest.core.lang.Worded;

/** What goes on about a house, as ordinary rates tell them apart. */
public enum HouseKind implements Worded {
    TERRACE("a terrace in town"), LANE("a lane in town"), SUBURB("a suburb"), VILLAGE("a village"), FARM("a farm");

    private final String words;

    HouseKind(String words) {
        this.words = words;
    }

    @Override
    public String words() {
        return words;
    }
}
