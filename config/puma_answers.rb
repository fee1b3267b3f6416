require "puma"
require "puma/server" # and the client, which cannot be had alone

# Each thread that answers writes into a buffer of its own. Puma keeps one with the connection, and
# a thread that has handed a connection on empties it when it is through (Server#process_client, in
# 7.2.1 as in 8.0.2), by when another one may have begun the next answer in it: that lost its head,
# and the browser said it was no HTTP. Once in some ten thousand answers a page, a style or a panel
# was missing.
module PumaAnswers
  BUFFER = :answer_buffer

  # @return [Puma::IOBuffer]
  def io_buffer
    thread = Thread.current
    thread.thread_variable_get(BUFFER) || Puma::IOBuffer.new.tap { |buffer| thread.thread_variable_set(BUFFER, buffer) }
  end
end
Puma::Client.prepend PumaAnswers
