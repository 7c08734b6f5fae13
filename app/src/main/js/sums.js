// Sums of files that are given out: reckoned here, so that no file leaves the computer.
const MOST_BYTES = 1 << 30;
const MB = 1e6;

function hex(buffer) {
  return [...new Uint8Array(buffer)].map((byte) => byte.toString(16).padStart(2, "0")).join("");
}

document.addEventListener("alpine:init", () => {
  window.Alpine.data("sums", () => ({
    says: "Nothing is chosen.",
    busy: false,
    async pick(event) {
      const files = [...event.target.files];
      this.$refs.files.value = "";
      if (!window.crypto || !window.crypto.subtle) {
        this.says = "Sums are reckoned only over https, or on this computer itself.";
        return;
      }
      const large = files.find((file) => file.size > MOST_BYTES);
      if (large) {
        this.says = large.name + " is larger than 1 GB: reckon its sum with a tool of the computer’s own.";
        return;
      }
      this.busy = true;
      const lines = [];
      try {
        for (const file of files) {
          this.says = "Reckoning " + (lines.length + 1) + " of " + files.length + ": " + file.name + ", "
            + Math.ceil(file.size / MB) + " MB";
          lines.push(hex(await window.crypto.subtle.digest("SHA-256", await file.arrayBuffer())) + " " + file.size + " " + file.name);
        }
        this.$refs.files.value = lines.join("\n");
        this.says = lines.length + (lines.length === 1 ? " sum is reckoned." : " sums are reckoned.");
      } catch {
        this.says = "A file could not be read. Choose the files once more.";
      } finally {
        this.busy = false;
      }
    },
  }));
});
