// Runs before the first paint, so that the projector theme never flashes light.
document.documentElement.dataset.theme = localStorage.getItem('welkion.theme') === 'projector' ? 'projector' : 'fieldbook'
