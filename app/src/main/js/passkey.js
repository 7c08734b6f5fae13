// Passkeys: the browser's own exchange with the phone or the computer, begun by a button and told in words when it does not do.

const SUPPORTED = typeof PublicKeyCredential !== "undefined" && "parseCreationOptionsFromJSON" in PublicKeyCredential;

document.querySelectorAll("[data-passkey]").forEach((box) => {
  if (!SUPPORTED) {
    return;
  }
  box.hidden = false;
  const button = box.querySelector("button");
  const fault = box.querySelector(".fault");
  button.addEventListener("click", async () => {
    button.disabled = true;
    fault.textContent = "";
    try {
      await (box.dataset.passkey === "make" ? make(box) : signIn());
      location.assign(box.dataset.then);
    } catch (refused) {
      fault.textContent = words(refused);
      button.disabled = false;
    }
  });
});

async function make(box) {
  const options = await post("/webauthn/register/options");
  const credential = await navigator.credentials.create({ publicKey: PublicKeyCredential.parseCreationOptionsFromJSON(options) });
  const label = box.querySelector("input").value.trim() || "a device";
  await post("/webauthn/register", { publicKey: { credential: credential.toJSON(), label } });
}

async function signIn() {
  const options = await post("/webauthn/authenticate/options");
  const credential = await navigator.credentials.get({ publicKey: PublicKeyCredential.parseRequestOptionsFromJSON(options) });
  await post("/login/webauthn", credential.toJSON());
}

async function post(address, body) {
  const response = await fetch(address, {
    method: "POST",
    headers: {
      "Content-Type": "application/json", Accept: "application/json",
      [document.querySelector('meta[name="csrf-header"]').content]: document.querySelector('meta[name="csrf-token"]').content,
    },
    body: body === undefined ? undefined : JSON.stringify(body),
  });
  if (!response.ok) {
    throw new Refused(address, response.status);
  }
  return response.json();
}

class Refused extends Error {
  constructor(address, status) {
    super(`${address} ${status}`);
    this.address = address;
    this.status = status;
  }
}

function words(refused) {
  if (refused instanceof Refused) {
    if (refused.address.startsWith("/webauthn/register") && refused.status === 403) {
      location.assign(`/again?back=${encodeURIComponent(location.pathname)}`);
      return "Prove first that it is you.";
    }
    return refused.address === "/login/webauthn" ? "This passkey opens nothing here. Sign in with your password."
      : "That did not work. Load the page anew and try once more.";
  }
  if (refused.name === "NotAllowedError") {
    return "Nothing was chosen, or it took too long. Try again, or use your password.";
  }
  return refused.name === "InvalidStateError" ? "This device has a passkey here already." : "This browser could not do it.";
}
