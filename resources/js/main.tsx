document.title='x'
