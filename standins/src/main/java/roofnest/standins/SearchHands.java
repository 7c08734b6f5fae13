package roofnest.standins;

/** By a search of the network, the device on its cable. */
final class SearchHands extends CableHands {
    SearchHands(Table table) {
        super(table);
    }
}
